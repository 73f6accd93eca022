import { describe, expect, it, test } from '@jest/globals';
import { parse } from 'yaml';
import { valueAt, withValueAt } from '../../../src/core/edit/value.ts';

const plan = `# A plan.
kamino: 1
look:            # of all
  color: "#111111"   # the label
  states: { hover: { tint: 10% } }
  frame: {}
menus:
  - menu: m
    look: { accent: red }
    entries: [a.html]
`;

describe('a value of a plan', () => {
  test.each([
    [['look', 'color'], '#222222', '  color: "#222222"   # the label\n'],
    [['look', 'states', 'hover', 'tint'], '12%', '  states: { hover: { tint: "12%" } }\n'],
    [['look', 'states', 'hover', 'color'], 'white', '  states: { hover: { tint: 10%, color: white } }\n'],
    [['look', 'frame', 'padding'], '1rem 2rem', '  frame: { padding: 1rem 2rem }\n'],
    [
      ['look', 'parts', 'submenu', 'background'],
      '#fff',
      '  frame: {}\n  parts: { submenu: { background: "#fff" } }\nmenus',
    ],
    [['menus', 0, 'look', 'gap'], '2px', '    look: { accent: red, gap: 2px }\n'],
    [['style'], 'own.css', '    entries: [a.html]\nstyle: own.css\n'],
  ])('at %j is written, and nothing else', (path, value, lines) => {
    const text = withValueAt(plan, path, value);
    expect(text).toContain(lines);
    expect(valueAt(text, path)).toBe(value);
    expect(text.split('\n').filter(line => !plan.includes(line)).length).toBeLessThan(2);
    expect(() => parse(text) as unknown).not.toThrow();
  });

  it('is taken out with its line, or its part of the braces', () => {
    expect(withValueAt(plan, ['look', 'color'], null)).toBe(plan.replace(/ {2}color.*\n/, ''));
    const two = withValueAt(plan, ['menus', 0, 'look', 'gap'], '2px');
    expect(withValueAt(two, ['menus', 0, 'look', 'gap'], null)).toBe(plan);
    expect(withValueAt(two, ['menus', 0, 'look', 'accent'], null)).toContain('look: { gap: 2px }');
    expect(withValueAt(plan, ['look', 'accent'], null)).toBe(plan);
  });

  it('is refused where the way leads through what has no keys', () => {
    expect(() => withValueAt(plan, ['look', 'color', 'x'], '1')).toThrow('has no keys of its own');
    expect(() => withValueAt(plan, ['look', 'states'], '1')).toThrow('there are keys');
  });
});
