import type { Raw } from '../text/bytes.ts';
import type { Own } from '../text/own.ts';
import type { FullPage } from './content.ts';
import { plainElement } from './element.ts';
import type { Frame, Slot } from './types.ts';

/**
 * A page as it is kept beside thousands of others: no text of it holds on to its bytes, which are read again when
 * somebody asks. @param raw reads them
 */
export function keptPage(page: FullPage, raw: () => Raw, own: Own): FullPage {
  for (const one of page.ids) one.id = own(one.id);
  for (const one of page.headings) {
    one.text = own(one.text);
    one.id = one.id === null ? null : own(one.id);
  }
  for (const one of page.links) one.href = own(one.href);
  for (const one of page.resources) one.address = own(one.address);
  return {
    ...page,
    frame: keptFrame(page.frame, raw, own),
    date: page.date === null ? null : own(page.date),
    modified: page.modified === null ? null : own(page.modified),
  };
}

/** The same for what travels between threads, where the bytes cannot be read again. */
export function withoutRaw(page: FullPage): FullPage {
  return {
    ...page,
    frame: { ...page.frame, slots: page.frame.slots.map(keptSlot), found: new Map(), raw: '' },
  };
}

function keptFrame(frame: Frame, raw: () => Raw, own: Own): Frame {
  const text = (value: string | null): string | null => (value === null ? null : own(value));
  const { main, slots } = frame;
  return {
    ...frame,
    base: text(frame.base),
    language: text(frame.language),
    title: text(frame.title),
    heading: text(frame.heading),
    main: main && { ...main, id: text(main.id) },
    slots: slots.map(keptSlot),
    found: new Map(),
    get raw() {
      return raw();
    },
  };
}

/** Without the tree that its element stands in. */
function keptSlot({ name, element }: Slot): Slot {
  return { name, element: plainElement(element) };
}
