import type { Rule } from '../text/rule.ts';

/** What a browser shows, with the remedy that is told with it. */
interface WalkRule extends Rule {
  remedy: string;
}

/** The rules of `kamino walk`, in the order of the manual. */
export const walkRules = {
  unreached: {
    severity: 'error',
    about: 'Every visitor gets to every entry, page and section.',
    why: 'A visitor has no way there: nothing that they can press leads to it.',
    example: 'a submenu that opens under the pointer only  →  a button beside its entry',
    remedy:
      'Open the page as that visitor does: what it lies in does not open, is hidden, or lies under something.',
  },
  'wrong-arrival': {
    severity: 'error',
    about: 'A link that is followed leads where it says.',
    why: 'The link was pressed as a visitor does, and led elsewhere or nowhere: mostly a script that holds it.',
    example: 'event.preventDefault()  in a script of the page',
    remedy: 'Look for a script that holds clicks, or for an element that lies over the link.',
  },
  'hidden-focus': {
    severity: 'error',
    about: 'What has the focus can be seen.',
    why: 'WCAG 2.2, 2.4.7 and 2.4.11: people who use a keyboard must see where they are. The focus came to something that is hidden, or that lies under something else.',
    example: 'a closed menu that is only moved out of the window  →  visibility: hidden',
    remedy:
      'Hide what is closed from the keyboard too (visibility: hidden), and let nothing cover what has the focus.',
  },
  'no-ring': {
    severity: 'error',
    about: 'The focus has a mark.',
    why: 'WCAG 2.2, 2.4.7: nothing changes when the focus comes, so that nobody knows where it is.',
    example: 'a:focus { outline: none }  →  take it out',
    remedy:
      'Take out the rule that removes the outline, or give the focus a look of its own:  states: { focus: … }',
  },
  'focus-order': {
    severity: 'warning',
    about: 'The focus goes in the order in which the menu is read.',
    why: 'WCAG 2.2, 2.4.3: the focus jumps back within a menu.',
    example: 'tabindex="3"  →  take it out',
    remedy: 'Take out  tabindex  values above 0.',
  },
  'focus-trap': {
    severity: 'error',
    about: 'The focus comes out of everything that it goes into.',
    why: 'WCAG 2.2, 2.1.2: the focus goes round in a part of the page, and neither Tab nor Escape leads out.',
    example: 'a script that gives the focus back to a menu',
    remedy: 'Let Escape close what holds the focus.',
  },
  'cannot-close': {
    severity: 'error',
    about: 'What was opened can be closed.',
    why: 'WCAG 2.2, 1.4.13 and 2.1.2: what lies over the page must go by Escape, and by the control that opened it.',
    example: 'a drawer without a way to close it',
    remedy: 'Let Escape close it, and the control that opened it.',
  },
  'stays-open': {
    severity: 'error',
    about: 'A menu is closed once a link of it was followed.',
    why: 'After a link was followed, or the visitor came back, the menu still lies open over the page.',
    example: 'a page that the browser kept as it was, with its drawer open',
    remedy: 'Close it when a link is followed, and when the page is shown again (pageshow).',
  },
  locked: {
    severity: 'error',
    about: 'The page scrolls again once a menu is closed.',
    why: 'The page stays where it is though no menu lies over it any more.',
    example: 'body { overflow: hidden }  left by a script',
    remedy: 'Let what keeps the page from scrolling end with the menu.',
  },
  'lost-by-resize': {
    severity: 'error',
    about: 'A menu is there at every width of the window, however the window came to it.',
    why: 'At this width entries are not seen and nothing opens them; or they were seen before the window was resized.',
    example: 'display: none  left by a script on a menu that was closed while it was narrow',
    remedy: 'Decide in the style sheet alone which form is seen, not in a script.',
  },
  sideways: {
    severity: 'warning',
    about: 'No page scrolls sideways.',
    why: 'WCAG 2.2, 1.4.10: something is wider than the window, so that people scroll to and fro to read.',
    example: 'width: 60rem  →  max-width: 60rem',
    remedy: 'Let it become narrower, break its words, or scroll by itself (overflow-x: auto).',
  },
  'crowded-text': {
    severity: 'warning',
    about: 'Labels keep their room when readers ask for more space.',
    why: 'WCAG 2.2, 1.4.12: with more space between lines, words and letters, a label is cut off or lies over another.',
    example: 'height: 2em; overflow: hidden  →  min-height: 2em',
    remedy: 'Give it a least height in place of a height, and let it wrap.',
  },
  'weak-contrast': {
    severity: 'warning',
    about: 'Labels can be read on what lies behind them.',
    why: 'WCAG 2.2, 1.4.3: in a picture of the page the label and its ground differ too little.',
    example: 'color: #999  on white  →  color: #595959',
    remedy: 'Take a darker or a lighter colour for the label or its ground.',
  },
  'alike-state': {
    severity: 'warning',
    about: 'The current entry, and the one under the pointer, look different from the others.',
    why: 'Nothing tells people where they are, or what they are about to press.',
    example: 'states: { current: { marker: below } }',
    remedy: 'Give that state a look of its own.',
  },
  'false-current': {
    severity: 'error',
    about: 'The entry of this page is marked as current, and no other.',
    why: 'A menu says that people are on another page than they are, or does not say where they are.',
    example: '<a href="visit.html" aria-current="page">  on prices.html',
    remedy: 'Build the page again; in a menu by hand, move  aria-current  to the entry of the page.',
  },
  'small-target': {
    severity: 'warning',
    about: 'What is to be pressed is large enough.',
    why: 'WCAG 2.2, 2.5.8: it is less than 24 px wide or high, and has others close by.',
    example: 'padding: 0.75rem 1rem',
    remedy: 'Give the link itself more padding, or more space around it.',
  },
  unspoken: {
    severity: 'error',
    about: 'Screen readers are told the name and the state of what is in a menu.',
    why: 'WCAG 2.2, 4.1.2 and 2.5.3: in the tree that screen readers get it is missing, or has another name than what is seen, or does not say whether it is open.',
    example: '<button class="menu"></button>  →  <button aria-expanded="false">Menu</button>',
    remedy: 'Use a link or a button with words in it; one that opens something says  aria-expanded.',
  },
  'under-bar': {
    severity: 'warning',
    about: 'What a link leads to is not covered.',
    why: 'WCAG 2.2, 2.4.12: the beginning of the section lies under something that stays in view.',
    example: 'html { scroll-padding-top: 5rem }',
    remedy: 'Say how much room what stays takes:  html { scroll-padding-top: … }',
  },
  'lost-back': {
    severity: 'error',
    about: 'The Back button leads back.',
    why: 'After a link was followed, Back did not bring the page that was there before.',
    example: 'location.replace(…)  in a script',
    remedy: 'Let links be links; take out what writes the address anew.',
  },
  shifting: {
    severity: 'warning',
    about: 'Nothing moves by itself while a page comes.',
    why: 'Part of the page moved after it was there: people press what they did not mean.',
    example: '<img width="640" height="400">',
    remedy: 'Give pictures their size, and let scripts add nothing above what is there.',
  },
  'unwished-motion': {
    severity: 'warning',
    about: 'Nothing moves for people who asked for less motion.',
    why: 'WCAG 2.2, 2.3.3: the system asks for reduced motion, and something still moves for longer than a blink.',
    example: '@media (prefers-reduced-motion: reduce) { * { transition: none } }',
    remedy: 'Switch transitions off where  prefers-reduced-motion: reduce  holds.',
  },
  'fills-paper': {
    severity: 'warning',
    about: 'A printed page is not full of menus.',
    why: 'On paper nobody presses anything: menus take more than a quarter of the first sheet.',
    example: '@media print { nav { display: none } }',
    remedy: 'Leave menus out where  @media print  holds.',
  },
  'unasked-window': {
    severity: 'warning',
    about: 'A page opens no window and asks nothing by itself.',
    why: 'While the page came, it opened a window or asked a question that has to be answered first.',
    example: 'alert("Welcome")  →  take it out',
    remedy: 'Take that out of the page’s script.',
  },
  'no-answer': {
    severity: 'error',
    about: 'A page comes, and answers.',
    why: 'The page did not come in time, or hangs, so that nobody can use it. It was left.',
    example: 'while (true) {}  in a script',
    remedy: 'Open it in a browser, and look at its scripts and at what it waits for.',
  },
  'unmet-question': {
    severity: 'error',
    about: 'What visitors come for is found as soon as the plan asks.',
    why: 'A question of the plan cannot be answered by some visitor, or takes more presses than the plan allows.',
    example: '- { ask: When is it open?, leads-to: visit/index.html#opening-times, actions: 3 }',
    remedy: 'Bring it nearer: an entry of its own, or a link on the front page.',
  },
  'not-walked': {
    severity: 'note',
    about: 'What was left out is told.',
    why: 'The time that was given came to its end.',
    example: 'kamino walk --time 600',
    remedy: 'Give it more time:  --time SECONDS',
  },
} as const satisfies Record<string, WalkRule>;

export type WalkRuleName = keyof typeof walkRules;
