import { drawnLines } from '../draft/drawn.ts';
import { drawnLooks } from '../draft/looks.ts';
import type { ManualPage } from './types.ts';

const all = Object.entries(drawnLooks);
const note = (text: string | undefined): string => (text === undefined ? '' : ` Its entries: ${text}.`);

/** Looks to start from. */
export const looksPage: ManualPage = {
  name: 'looks',
  kind: 'topic',
  title: 'Looks to start from.',
  text: [
    '`kamino draft --look NAME` writes one out as plain keys of the plan, to be changed as you like. Each can be read (WCAG 2.2, AA) in every state, and folds where it has no room. `docs/looks.md` shows them side by side.',
    all.map(([name, look]) => `- \`${name}\`: ${look.about}${note(look.note)}`).join('\n'),
  ],
  examples: [
    {
      language: 'yaml',
      about: 'What  kamino draft --look pills  writes.',
      code: drawnLines(drawnLooks['pills']!),
    },
  ],
  see: ['look', 'state'],
};

/** The document that shows them all. */
export function looksText(): string {
  const each = all.map(
    ([name, look]) =>
      `## \`${name}\`\n\n${look.about}${note(look.note)}\n\n\`\`\`yaml\n${drawnLines(look)}\n\`\`\``,
  );
  return [
    '`kamino draft --look NAME` writes one of these into the first plan of a site, as plain keys to be changed. None needs a rule by hand. Each can be read in every state (WCAG 2.2, AA), wide and folded, and folds where it has no room.',
    '![All looks, each as a bar or column of the same pages, and folded](screenshots/looks.png)',
    ...each,
  ].join('\n\n');
}
