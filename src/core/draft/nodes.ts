import { type Node, type Pair, Scalar, YAMLMap, YAMLSeq } from 'yaml';

export type Row = [key: string, value: string | Node];

export function map(rows: readonly Row[], isFlow = false): YAMLMap {
  const made = new YAMLMap();
  for (const [key, value] of rows)
    made.set(new Scalar(key), typeof value === 'string' ? new Scalar(value) : value);
  made.flow = isFlow;
  return made;
}

export function list(items: readonly Node[]): YAMLSeq {
  const made = new YAMLSeq();
  made.items.push(...items);
  return made;
}

export function flow(texts: readonly string[]): Node {
  if (texts.length === 1) return new Scalar(texts[0]!);
  const made = list(texts.map(text => new Scalar(text)));
  made.flow = true;
  return made;
}

export function pairs(made: YAMLMap): Pair[] {
  return made.items;
}

export function row(key: string, value: string | null): Row[] {
  return value === null ? [] : [[key, value]];
}
