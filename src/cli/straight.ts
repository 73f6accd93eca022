import { fstatSync, statSync, writeSync } from 'node:fs';
import { devNull } from 'node:os';
import type { Io } from './io.ts';
import { terminal } from './terminal.ts';

/**
 * The ways out of a program that says little and ends: what goes to no terminal is written at once, without the streams of
 * Node.js, which take longer to load than a short command runs.
 */
export function straight(): Io {
  let usual: ReturnType<typeof terminal> | null = null;
  const known = (): ReturnType<typeof terminal> => (usual ??= terminal());
  const [isOut, isErr] = [isDevice(1), isDevice(2)];
  return {
    out: wayTo(1, isOut, rest => known().out(rest)),
    err: wayTo(2, isErr, rest => known().err(rest)),
    outIsTerminal: isOut && known().outIsTerminal,
    errIsTerminal: isErr && known().errIsTerminal,
    errSize: () => known().errSize!(),
    environment: process.env,
  };
}

/** Terminals are devices, and few others are but the one that takes everything. */
function isDevice(file: number): boolean {
  try {
    const there = fstatSync(file);
    return there.isCharacterDevice() && there.rdev !== statSync(devNull).rdev;
  } catch {
    return true;
  }
}

/** @param otherwise takes what cannot be written at once, or not at all, and all behind it: streams wait, and know what to say */
function wayTo(file: number, isStream: boolean, otherwise: (rest: string | Uint8Array) => void): Io['out'] {
  let isWaiting = isStream;
  return text => {
    if (isWaiting) return otherwise(text);
    const bytes = Buffer.from(text);
    let at = 0;
    try {
      while (at < bytes.length) at += writeSync(file, bytes, at);
    } catch {
      isWaiting = true;
      otherwise(bytes.subarray(at));
    }
  };
}
