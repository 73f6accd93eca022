/** A look to start from: what it is, its keys of the menu, its `look`, and what its entries need beside. */
export interface DrawnLook {
  about: string;
  menu: string;
  look: string;
  /** For whoever reads the plan. */
  note?: string;
}

/** Looks to start from, named by what they are. */
export const drawnLooks: Readonly<Record<string, DrawnLook>> = {
  row: {
    about: 'A white row with a thin line below; the page one is on is underlined in green.',
    menu: `align: end
fold: { when: crowded }
home: {}`,
    look: `accent: "#0b6b57"
background: "#ffffff"
color: "#22302d"
font: { weight: 500 }
frame: { padding: 0.4rem 1.25rem, row: 70rem, border: "1px solid #d9e2df", edges: bottom }
states:
  current: { color: "#0b6b57", marker: { at: below, thickness: 2px } }
  within: { color: "#0b6b57", marker: { at: below, thickness: 2px } }`,
  },
  buttons: {
    about: 'Buttons of one width, each with a border and a small shadow, that sink when they are pressed.',
    menu: `widths: equal
fold: { when: crowded }`,
    look: `accent: "#7a3e1d"
background: "#f4ede4"
color: "#3b2a20"
font: { weight: 600, size: 0.95rem }
gap: 0.6rem
radius: 0.5rem
border: "1px solid #c9b39d"
shadow: 0 2px 0 rgb(122 62 29 / 0.25)
frame: { padding: 0.75rem 1.25rem, row: 64rem }
states:
  hover: { background: "#fffaf3", border: "1px solid #7a3e1d" }
  pressed: { from: hover, background: "#e8dac9", shadow: none }
  current: { background: "#7a3e1d", color: "#ffffff", border: "1px solid #7a3e1d", marker: none }
  within: { background: "#e8dac9", marker: none }`,
  },
  column: {
    about: 'A narrow column with lines between its entries that stop short of its edges.',
    menu: `form: column
separators: { color: "#d4d8e0", inset: 0.9rem }
fold: { when: below 48em }`,
    look: `accent: "#39558c"
background: "#f6f7fa"
color: "#232a3a"
padding: 0.7rem 0.9rem
gap: 1px
radius: 0
frame: { width: 200px, padding: 0.5rem 0, border: "1px solid #d4d8e0", radius: 0.5rem }
states:
  current: { background: "#e4e9f3", font: { weight: 700 }, marker: { at: start, length: entry, thickness: 3px, offset: 0 } }
  within: { font: { weight: 700 }, marker: none }`,
  },
  capitals: {
    about:
      'A bar that goes from one blue to another, small capitals, and a line that grows under the pointer.',
    menu: `align: center
fold: { when: crowded }`,
    look: `accent: "#ffd27a"
background: "linear-gradient(90deg, #123a5a, #1d4d3f)"
color: "#ffffff"
font: { size: 0.85rem, weight: 600, transform: uppercase, spacing: 0.1em }
padding: 1rem 1.1rem
radius: 0
motion: 220ms ease-out
frame: { padding: 0 1.25rem }
states:
  hover: { marker: { at: below, length: label, thickness: 2px, offset: 0.6rem, comes: grow } }
  focus: { from: hover }
  current: { marker: { at: below, length: label, thickness: 2px, offset: 0.6rem } }
  within: { marker: { at: below, length: 1rem, thickness: 2px, offset: 0.6rem } }
parts:
  submenu: { background: "#123a5a" }
  fold: { background: "#123a5a" }`,
  },
  'icons-beside': {
    about: 'A calm bar with an icon before each label; the icon of the page one is on is coloured.',
    menu: `fold: { when: crowded }`,
    look: `accent: "#5b4bb5"
background: "#fbfaff"
color: "#2b2740"
icon-color: "#6f6a86"
icon-size: 1.2rem
gap: 0.35rem
radius: 0.6rem
padding: 0.6rem 0.9rem
frame: { padding: 0.5rem 1.25rem, row: 70rem }
states:
  hover: { background: "#efecfb", icon-color: "#5b4bb5" }
  current: { background: "#e4defa", icon-color: "#5b4bb5", marker: none, font: { weight: 600 } }
  within: { icon-color: "#5b4bb5", marker: none, font: { weight: 600 } }`,
    note: 'icon: img/NAME.svg  gives an entry its icon',
  },
  'icons-above': {
    about: 'Large icons with small labels below them, all of one width.',
    menu: `widths: equal
fold: { when: crowded, as: drawer }`,
    look: `accent: "#0a6f8a"
background: "#eef7f9"
color: "#12343d"
font: { size: 0.85rem, weight: 600 }
icon-color: "#0a6f8a"
icon-size: 1.9rem
padding: 0.7rem 1rem
radius: 0.8rem
frame: { padding: 0.5rem 1.25rem, row: 48rem }
states:
  hover: { background: "#d9eef3" }
  current: { background: "#0a6f8a", color: "#ffffff", icon-color: "#ffffff", marker: none }
  within: { background: "#d9eef3", marker: none }`,
    note: 'icon: img/NAME.svg  and  icon-at: above  give an entry its icon',
  },
  tabs: {
    about: 'Tabs that are joined to what lies below them.',
    menu: `form: tabs
fold: { when: crowded }`,
    look: `accent: "#b3402a"
background: "#ffffff"
color: "#40312c"
padding: 0.75rem 1.25rem
radius: 0.5rem
frame: { padding: 0.75rem 1.25rem 0 }
states:
  hover: { color: "#8c2f1e", background: "#faf1ee" }
  current: { color: "#8c2f1e", font: { weight: 600 }, marker: above }
  within: { color: "#8c2f1e", marker: above }`,
  },
  pills: {
    about: 'Round entries in the middle of the row, the name of the site between them.',
    menu: `fold: { when: crowded }
home: { at: middle }`,
    look: `accent: "#b8336a"
background: "#fff6f9"
color: "#4a2636"
gap: 0.4rem
radius: 2rem
padding: 0.6rem 1.2rem
frame: { padding: 0.75rem 1.25rem, row: 70rem }
states:
  hover: { background: "#fbe3ec" }
  current: { background: "#b8336a", color: "#ffffff", marker: none }
  within: { background: "#fbe3ec", marker: none, font: { weight: 600 } }
parts:
  home: { color: "#8f2352", states: { current: { marker: none } } }`,
  },
  'over-picture': {
    about:
      'A dark glass over the picture that follows it, which turns white once the page has been scrolled.',
    menu: `over: true
stays: top
align: end
fold: { when: crowded, as: drawer }
home: {}`,
    look: `background: "rgb(12 22 38 / 62%)"
color: "#ffffff"
accent: "#f3c766"
frame: { padding: 0.5rem 1.5rem, blur: 12px }
states:
  hover: { color: "#f3c766", background: "rgb(12 22 38 / 62%)" }
  current: { marker: { at: below, thickness: 2px } }
parts:
  scrolled:
    background: "#ffffff"
    color: "#14233b"
    accent: "#8a6310"
    states: { hover: { color: "#14233b", background: "#f2eee4" } }
  submenu: { background: "#ffffff", color: "#14233b", accent: "#8a6310", states: { hover: { color: "#14233b", background: "#f2eee4" } } }
  fold: { background: "#14233b", states: { hover: { color: "#ffffff", background: "#26374f" } } }`,
  },
  'wide-submenu': {
    about: 'A bar whose submenus are as wide as it is, in three columns with headings.',
    menu: `opens: { width: menu, columns: 3 }
fold: { when: crowded, as: drawer }`,
    look: `accent: "#24614a"
background: "#ffffff"
color: "#20302a"
padding: 0.7rem 1rem
frame: { padding: 0.5rem 1.25rem, row: 70rem, border: "1px solid #dbe5e0", edges: bottom }
states:
  hover: { background: "#ecf4f0" }
  current: { color: "#24614a", marker: { at: below, thickness: 3px } }
  within: { color: "#24614a", marker: { at: below, thickness: 3px } }
parts:
  submenu: { padding: 0.5rem 0.7rem, border: "1px solid #dbe5e0", shadow: 0 1rem 2rem rgb(20 50 40 / 0.14) }`,
    note: 'An entry of a submenu with entries of its own is the heading of a column; about: …  is a line below a label',
  },
  dark: {
    about: 'A dark bar with a light line above the page one is on.',
    menu: `fold: { when: crowded, as: drawer }
home: {}
align: end`,
    look: `accent: "#7fd1c4"
background: "#12181b"
color: "#e7eeee"
font: { size: 0.95rem }
padding: 1rem
radius: 0
gap: 0
frame: { padding: 0 1.25rem }
states:
  hover: { color: "#7fd1c4", background: "#1b2427" }
  current: { marker: { at: above, length: entry, thickness: 3px, offset: 0 } }
  within: { marker: { at: above, length: entry, thickness: 3px, offset: 0 } }`,
  },
  rail: {
    about: 'A dark column with a lit bar at the start of the page one is on.',
    menu: `form: column
fold: { when: below 48em, as: drawer }`,
    look: `accent: "#ffb454"
background: "#241f31"
color: "#ece8f5"
padding: 0.75rem 1.1rem
gap: 0.15rem
radius: 0 0.5rem 0.5rem 0
frame: { width: 15rem, padding: 0.75rem 0.6rem 0.75rem 0 }
states:
  hover: { background: "#322b45" }
  current: { background: "#3b3352", font: { weight: 600 }, marker: { at: start, length: entry, thickness: 4px, offset: 0 } }
  within: { font: { weight: 600 }, marker: none }`,
  },
  school: {
    about: 'For a school: a sunny bar, round corners, and an answer under the pointer that children see.',
    menu: `fold: { when: crowded }
home: {}
align: end`,
    look: `accent: "#1f5fa8"
background: "#ffd95e"
color: "#1c2b45"
font: { weight: 700 }
gap: 0.3rem
radius: 1rem
padding: 0.65rem 1.1rem
frame: { padding: 0.6rem 1.25rem, border: "4px solid #1f5fa8", edges: bottom }
states:
  hover: { background: "#fff3c4" }
  pressed: { background: "#ffe78f" }
  current: { background: "#1f5fa8", color: "#ffffff", marker: none }
  within: { background: "#fff3c4", marker: none }`,
  },
  shop: {
    about:
      'For a shop: its name in a row of its own, the entries in the middle below it, one of them a button.',
    menu: `align: center
fold: { when: crowded, as: full-screen }
home: { at: above }`,
    look: `accent: "#7c2f3b"
background: "#fdfbf8"
color: "#2f2a28"
font: { size: 0.95rem, spacing: 0.02em }
padding: 0.65rem 1.1rem
frame: { padding: 0.9rem 1.25rem 0.4rem, border: "1px solid #e6ddd3", edges: [top, bottom] }
motion: 200ms
states:
  hover: { marker: { at: below, length: label, thickness: 1px, comes: fade } }
  current: { marker: { at: below, length: label, thickness: 1px }, font: { weight: 600 } }
  within: { marker: { at: below, length: label, thickness: 1px } }
parts:
  home: { font: { size: 1.4rem, spacing: 0.08em }, color: "#7c2f3b" }`,
    note: 'highlight: background  and  folds: false  make an entry a button that stays when the others are folded',
  },
  club: {
    about: 'For a club: two bands of its colours, and a dot before the page one is on.',
    menu: `fold: { when: crowded }
home: {}
align: end`,
    look: `accent: "#f4b942"
background: "#0f4c3a"
color: "#ffffff"
font: { weight: 600 }
padding: 0.7rem 1.4rem
frame: { padding: 0.5rem 1.25rem, border: "6px solid #f4b942", edges: top }
states:
  hover: { background: "#176650" }
  current: { marker: dot }
  within: { marker: { at: dot, thickness: 0.25em } }`,
  },
  letterhead: {
    about: 'A line of quiet labels between two hairlines, like the head of a letter.',
    menu: `align: spread
fold: { when: crowded }`,
    look: `accent: "#6b4f1d"
background: "#fffdf8"
color: "#33302a"
font: { family: "Georgia, serif", size: 1rem, style: italic }
padding: 0.6rem 0.4rem
radius: 0
frame: { padding: 0.3rem 1.25rem, row: 56rem, border: "1px solid #cfc6b2", edges: [top, bottom] }
states:
  hover: { color: "#6b4f1d", marker: { at: below, length: label, thickness: 1px } }
  current: { color: "#6b4f1d", font: { weight: 700 }, marker: none }
  within: { color: "#6b4f1d", marker: none }`,
  },
};
