import type { Look, StateLook } from '../plan/look-types.ts';
import type { ColorTools, Ground, Hex } from './hex.ts';

/** What an entry is set apart by. */
interface Apart {
  ground: Ground;
  label: Hex;
  /** The least contrast of text. */
  level: number;
  tools: ColorTools;
  /** An opaque colour of CSS; null for others. */
  read: (css: string | null) => Hex | null;
}

/**
 * The states of its neighbours for an entry with a ground of its own: without words that cannot be read on that, and without
 * grounds on which its words could not. What has both, or starts from another state, is as it is written.
 */
export function apartStates(states: Look['states'], apart: Apart): Look['states'] {
  return Object.fromEntries(Object.entries(states).map(([name, one]) => [name, fitting(one, apart)]));
}

function fitting(one: StateLook, { ground, label, level, tools, read }: Apart): StateLook {
  const isOfBase = (one.from === null || one.from === 'base') && one.picture === null;
  const [color, background] = [read(one.color), read(one.background)];
  if (!isOfBase) return one;
  if (one.background === null && color !== null && tools.worst(color, ground).ratio < level)
    return { ...one, color: null };
  if (one.color === null && background !== null && tools.worst(label, [background]).ratio < level)
    return { ...one, background: null };
  return one;
}
