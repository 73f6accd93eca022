import { optional } from '../../format/key.ts';
import { said, text } from '../../format/values.ts';
import type { Mark } from '../../text/mark.ts';
import { nearest } from '../../text/nearest.ts';
import { type Led, type SingleKind, type TargetContext, elsewhere, failed } from '../kind.ts';
import type { SectionPlace } from '../places.ts';

const keys = {
  panel: optional(said(text), {
    takes: 'the id of a panel',
    otherwise: elsewhere,
    means: 'A panel of `panels`, on its page or any other.',
    example: 'panel: mars',
  }),
} as const;

/** A panel of `panels`, by its id. */
export type PanelTarget = { kind: 'panel'; written: string; mark: Mark };

export const panelKind = {
  keys,
  inButtons: null,
  read: ({ path, mark }): PanelTarget | null => {
    const written = path('panel');
    return written === undefined ? null : { kind: 'panel', written, mark: mark('panel') };
  },
  lead: readPanel,
} satisfies SingleKind<PanelTarget, SectionPlace>;

/** A panel by its id; the first group that has it. */
function readPanel(
  { written, mark }: PanelTarget,
  { panels = [], source }: TargetContext,
): Led<SectionPlace> {
  const id = written.replace(/^#/, '');
  const group = panels.find(one => one.panels.some(panel => panel.id === id));
  if (group) {
    const panel = { group: group.name, isFirst: id === group.first };
    return { destination: { kind: 'section', path: group.page, id, panel } };
  }
  const known = panels.flatMap(one => one.panels.map(panel => panel.id));
  const near = nearest(id, known);
  return failed(
    { source },
    mark,
    'missing-section',
    `no panel of this plan is called \`${id}\``,
    near ? `Did you mean \`${near}\`?` : 'Name it under `panels`, or lead to a `section`.',
  );
}
