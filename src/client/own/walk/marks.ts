import { allLinks } from './links.ts';
import { isDrawn, labelOf, menuOf } from './points.ts';

interface Marked {
  label: string;
  style: string;
  index: number;
}

const properties = [
  'color',
  'background-color',
  'background-image',
  'border',
  'border-radius',
  'box-shadow',
  'outline',
  'font-weight',
  'font-style',
  'text-decoration-line',
  'text-decoration-color',
  'opacity',
  'transform',
  'filter',
  'background-position',
  'object-position',
  'clip-path',
  'margin',
  'inset',
  'content',
  'width',
  'height',
];

/** The look of a link with all that is in it, as one text; sizes count for what has no words. */
function lookOf(element: Element): string {
  return [element, ...element.querySelectorAll('*')]
    .flatMap(one =>
      ['', '::before', '::after'].map(pseudo => ({ one, style: getComputedStyle(one, pseudo), pseudo })),
    )
    .map(({ one, style, pseudo }) => {
      if (pseudo !== '' && style.content === 'none') return '';
      const isBox = pseudo !== '' || one.localName === 'img';
      const named = isBox ? properties : properties.slice(0, properties.indexOf('background-position'));
      const source =
        one.localName === 'img' ? `${(one as HTMLImageElement).currentSrc} ${style.display}` : '';
      return named.map(name => style.getPropertyValue(name)).join('|') + source;
    })
    .join('/');
}

/** Where an entry is marked around its link, that counts too. */
function styleOf(element: Element): string {
  const entry = element.closest('li');
  const own = entry && entry.querySelectorAll('a').length === 1 ? entry : element;
  return lookOf(own);
}

export function styleOfLink(index: number): string {
  const link = allLinks()[index];
  return link ? styleOf(link) : '';
}

/** In each menu what is marked as current, and an entry of the same level that is not. */
export function marks(): { menu: string; current: Marked | null; other: Marked | null }[] {
  const all = allLinks().map((link, index) => ({ link, index, menu: menuOf(link) }));
  const menus = new Set(all.flatMap(one => one.menu ?? []));
  return [...menus].map(menu => {
    const own = all.filter(one => one.menu === menu && isDrawn(one.link));
    const told = ({ link, index }: (typeof own)[number]): Marked => ({
      label: labelOf(link),
      style: styleOf(link),
      index,
    });
    const plain = own.filter(
      ({ link }) => !link.hasAttribute('aria-current') && !link.closest('[aria-current]'),
    );
    const current = own.find(({ link }) => link.getAttribute('aria-current') === 'page');
    const level = (link: Element): Element | null => link.closest('ul, ol');
    const other = current
      ? plain.find(({ link }) => level(link) === level(current.link) && isAlike(link, current.link))
      : plain[0];
    return { menu, current: current && other ? told(current) : null, other: other ? told(other) : null };
  });
}

/** What is set apart from the others anyway is no measure. */
const isAlike = (one: Element, other: Element): boolean => {
  const classes = (element: Element): string =>
    [...element.classList].filter(name => !/current|within|active/.test(name)).join(' ');
  return classes(one) === classes(other) && one.children.length === other.children.length;
};

const pathOf = ({ origin, pathname }: Pick<URL, 'origin' | 'pathname'>): string =>
  origin + pathname.replace(/index\.html?$/, '');

/** Which entries are said to be this page and are not, and which are and are not said to be. */
export function currents(): { menu: string; wrong: string[]; unsaid: string[] }[] {
  const all = allLinks().map(link => ({ link, menu: menuOf(link) }));
  return [...new Set(all.flatMap(one => one.menu ?? []))].map(menu => {
    const own = all.filter(one => one.menu === menu).map(one => one.link);
    const isHere = (link: HTMLAnchorElement): boolean => pathOf(link) === pathOf(location);
    const isSaid = (link: HTMLAnchorElement): boolean => link.getAttribute('aria-current') === 'page';
    const isOurs = own[0]!.closest('nav[data-kamino]') !== null;
    return {
      menu,
      wrong: own.filter(one => isSaid(one) && !isHere(one)).map(labelOf),
      // A menu by hand may mark it in its own way; the home is no entry.
      unsaid: own
        .filter(one => isOurs && isHere(one) && one.hash === '' && !isSaid(one) && one.closest('li') !== null)
        .map(labelOf),
    };
  });
}
