import { describe, expect, it, test } from '@jest/globals';
import fc from 'fast-check';
import { PlanEditor } from '../../../src/core/edit/editor.ts';
import { type EditEntry, EditError, type Spot } from '../../../src/core/edit/list.ts';
import { runs } from '../../helpers/runs.ts';

const plan = `# The plan of a site.
kamino: 1   # the format

menus:
  # The main menu.
  - menu: masthead
    title: "Main"
    entries:
      # What is up tonight.
      - tonight.html      # changes daily
      - page: visit/index.html
        label: Visit
        # Below it:
        entries:
          - visit/cafe.html
          # By bus and on foot.
          # Not by car.
          - { page: visit/here.html, label: 'Getting here' }

          - section: visit/index.html#end
            label: End   # the end
      - label: Telescopes
        highlight: background
        entries:
          - scopes/great.html
      - { url: "https://forum.example/", label: Forum }
      # The last one.
      - contact.html
    # Behind the entries.
look:
  accent: "#336699"
`;
const keyOf = (target: string): string => (target.includes('#') ? 'section' : 'page');
const edit = (text: string): PlanEditor => new PlanEditor(text, 'masthead', () => null);
const only = (editor: PlanEditor, name: string): EditEntry => editor.find(name)[0]!;
const comments = (text: string): string[] =>
  (text.match(/#[^"\n]*$/gm) ?? []).filter(one => !one.startsWith('#end')).sort();

/** One edit and what takes it back; null where it cannot be done. */
function change(
  text: string,
  kind: number,
  from: number,
  to: number,
): { after: string; back: (after: string) => string } | null {
  const editor = edit(text);
  const all = editor.all();
  const entry = all[from % all.length]!;
  const other = all[to % all.length]!;
  const at = all.indexOf(entry);
  const spots: Spot[] = [
    { side: 'before', of: other },
    { side: 'after', of: other },
    { side: 'first' },
    { side: 'last' },
    { side: 'under', of: other },
  ];
  const spot = spots[(from + to) % spots.length]!;
  if (kind === 0) {
    const after = editor.add('added.html', spot, keyOf);
    return {
      after,
      back: made => {
        const again = edit(made);
        return again.remove(only(again, 'added.html'));
      },
    };
  }
  if (kind === 1) {
    const siblings = entry.parent.entries;
    const place = siblings.indexOf(entry);
    const [next, before, owner] = [siblings[place + 1], siblings[place - 1], entry.parent.owner].map(
      one => one && all.indexOf(one),
    );
    const nameOf = (number: number): string => all[number]!.names[0]!;
    const after = editor.move(entry, spot, keyOf);
    const name = nameOf(at);
    return {
      after,
      back: made => {
        const again = edit(made);
        const home: Spot =
          next !== undefined && next !== null
            ? { side: 'before', of: only(again, nameOf(next)) }
            : before !== undefined && before !== null
              ? { side: 'after', of: only(again, nameOf(before)) }
              : { side: 'under', of: only(again, nameOf(owner!)) };
        return again.move(only(again, name), home, keyOf);
      },
    };
  }
  const label = entry.names[0]!;
  const hasLabel = !/\.html|#/.test(label);
  if (kind === 2 && hasLabel) {
    const after = editor.rename(entry, `Renamed, ${label}`, keyOf);
    return {
      after,
      back: made => {
        const again = edit(made);
        return again.rename(only(again, `Renamed, ${label}`), label, keyOf);
      },
    };
  }
  if (kind === 3 && hasLabel && label !== 'Telescopes') {
    const after = editor.highlight(entry, true, keyOf);
    return {
      after,
      back: made => {
        const again = edit(made);
        return again.highlight(only(again, label), false, keyOf);
      },
    };
  }
  return null;
}

describe('edits of a plan', () => {
  it('leave comments and all other lines as they are, and can be taken back', () => {
    let done = 0;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(3), fc.nat(50), fc.nat(50)), { minLength: 1, maxLength: 6 }),
        steps => {
          let text = plan;
          const backs: ((after: string) => string)[] = [];
          const befores: string[] = [];
          for (const [kind, from, to] of steps) {
            let step: ReturnType<typeof change> = null;
            try {
              step = change(text, kind, from, to);
            } catch (error) {
              expect(error).toBeInstanceOf(EditError);
            }
            if (!step || step.after === text) continue;
            if (kind !== 0 || !text.includes('added.html')) {
              done += 1;
              expect(comments(step.after)).toEqual(comments(text));
              befores.push(text);
              backs.push(step.back);
              text = step.after;
            }
          }
          for (const back of backs.reverse()) {
            text = back(text);
            expect(text.replace(/'Getting here'|"Getting here"|Getting here/, 'Getting here')).toBe(
              befores.pop()!.replace(/'Getting here'|"Getting here"|Getting here/, 'Getting here'),
            );
          }
        },
      ),
      { numRuns: runs(300) },
    );
    expect(done).toBeGreaterThan((runs(300) * 2) / 3);
  });

  test.each<[string, (editor: PlanEditor) => string, string, string]>([
    [
      'a bare target gets a label in braces',
      one => one.rename(only(one, 'contact.html'), 'Write to us', keyOf),
      '- contact.html',
      '- { page: contact.html, label: Write to us }',
    ],
    [
      'a map on lines of its own gets a line',
      one => one.highlight(only(one, 'Visit'), true, keyOf),
      'index.html\n        label',
      'index.html\n        highlight: background\n        label',
    ],
    [
      'a label is replaced where it stands',
      one => one.rename(only(one, 'Visit/Getting here'), 'A: b', keyOf),
      "'Getting here'",
      '"A: b"',
    ],
    [
      'a bare target takes entries below it',
      one => one.add('x.html', { side: 'under', of: only(one, 'contact.html') }, keyOf),
      '- contact.html\n',
      '- page: contact.html\n        entries:\n          - x.html\n',
    ],
    [
      'a comment moves with its entry',
      one => one.move(only(one, 'tonight.html'), { side: 'after', of: only(one, 'Telescopes') }, keyOf),
      'scopes/great.html\n',
      'scopes/great.html\n      # What is up tonight.\n      - tonight.html      # changes daily\n',
    ],
    [
      'what lies below moves too, and is indented',
      one => one.move(only(one, 'Telescopes'), { side: 'under', of: only(one, 'Visit') }, keyOf),
      '# the end\n',
      '# the end\n          - label: Telescopes\n            highlight: background\n            entries:\n              - scopes/great.html\n',
    ],
    [
      'the last entry below goes with its key',
      one => one.remove(only(one, 'scopes/great.html')),
      '        highlight: background\n        entries:\n          - scopes/great.html\n',
      '        highlight: background\n',
    ],
  ])('%s', (_, act, was, is) => {
    const made = act(edit(plan));
    expect(made).toContain(is);
    if (!is.includes(was)) expect(made).not.toContain(was);
  });

  it.each([
    [
      'under itself',
      (one: PlanEditor) =>
        one.move(only(one, 'Visit'), { side: 'under', of: only(one, 'visit/cafe.html') }, keyOf),
    ],
    [
      'in a list in one line',
      () => {
        const one = new PlanEditor('menus:\n  - menu: m\n    entries: [a.html, b.html]\n', 'm', () => null);
        return one.remove(one.all()[0]!);
      },
    ],
    ['in a menu that is not there', () => new PlanEditor(plan, 'mast', () => null).text],
  ])('are refused %s', (_, act) => {
    expect(() => act(edit(plan))).toThrow(EditError);
  });
});
