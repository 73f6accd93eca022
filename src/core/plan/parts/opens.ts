import { oneOf, optional, preset } from '../../format/key.ts';
import { columns, lengths, selector, sheetWidth, time } from '../../format/values.ts';

export const staysKeys = {
  top: optional(selector, {
    takes: 'a selector',
    otherwise: 'the menu',
    means: 'The element that stays.',
    example: 'top: header',
  }),
  air: optional(lengths(1), {
    takes: 'a length',
    otherwise: '`1rem`',
    means: 'How far below it the sections of the page come to stand that links lead to.',
    example: 'top: header\nair: 2rem',
  }),
} as const;

export const opensKeys = {
  by: optional(oneOf('hover', 'click'), {
    otherwise: '`hover`; in a column `click`',
    means:
      '`hover`: also as the pointer rests on an entry; a click then holds the submenu open. In a column a submenu that opens by hover lies beside it, else below its entry.',
    example: 'by: click',
  }),
  after: preset(time, '90ms', {
    takes: 'a time in ms',
    means: 'How long the pointer rests before a submenu opens.',
    example: 'after: 150ms',
  }),
  ease: preset(time, '160ms', {
    takes: 'a time in ms',
    means: 'How long a submenu takes to come. Visitors who asked for less motion see none.',
    example: 'ease: 0ms',
  }),
  width: optional(sheetWidth, {
    takes: '`menu` or a length',
    otherwise: 'as wide as its entries',
    means: 'How wide a submenu is that lies over the page: as the menu, or so wide.',
    example: 'width: menu\ncolumns: 3',
  }),
  columns: preset(columns, '1', {
    takes: 'a number from 1 to 4',
    means:
      'Lays a submenu out in columns. What lies on the third level then lies open, under its entry as a small heading.',
    example: 'columns: 2',
  }),
} as const;
