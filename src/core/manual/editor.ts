import type { ManualPage } from './types.ts';

/** The schema beside a plan, by which an editor completes and checks it; the plan's first comment names it. */
export const schemaFile = '.kamino/plan.schema.json';

export const editorPage: ManualPage = {
  name: 'editor',
  kind: 'topic',
  title: 'An editor that knows the plan.',
  text: [
    'Many editors complete and check YAML by a schema (JSON Schema 2020-12). `kamino draft` writes the plan’s schema to `.kamino/plan.schema.json` beside the plan, and names it in the first comment of the plan, where editors look for it. Kamino itself tells more: whether pages and sections are there.',
  ],
  examples: [
    {
      language: 'yaml',
      about: 'The first line of a plan.',
      code: '# yaml-language-server: $schema=.kamino/plan.schema.json',
    },
  ],
  see: ['plan'],
};
