import type { Frame } from '../page/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import { placeOf } from './findings.ts';

/** Slots that stay empty: no menu has their name, or another one had it before. @param names of the menus of the plan */
export function slotFindings(frame: Frame, names: ReadonlySet<string>): Finding[] {
  const seen = new Set<string>();
  return frame.slots.flatMap(({ name, element }) => {
    const isSecond = seen.has(name);
    seen.add(name);
    if (names.has(name) && !isSecond) return [];
    const place = placeOf(frame, element.start, element.open);
    if (!names.has(name)) {
      const known = [...names].map(one => `\`${one}\``).join(', ');
      return [
        finding('unknown-slot', place, `no menu is called \`${name}\``, `Menus of the plan: ${known}.`),
      ];
    }
    const message = `a second slot \`${name}\` stays empty`;
    return [finding('second-slot', place, message, 'Give it another name, or take the attribute out.')];
  });
}
