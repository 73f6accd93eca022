import picocolors from 'picocolors';
import type { Finding } from '../core/text/finding.ts';
import { type Paint, countFindings, renderFindings } from '../core/text/render.ts';

/** Where a command's words go: what was asked for to `out`, all else to `err`. */
export interface Io {
  out: (text: string) => void;
  err: (text: string) => void;
  outIsTerminal: boolean;
  errIsTerminal: boolean;
  environment: Readonly<Record<string, string | undefined>>;
}

/** How a command may write, by the options that every command has. */
export interface Voice {
  io: Io;
  out: Paint;
  err: Paint;
}

/** Makes what a command does from work that gives the exit status. */
export type Act = (work: (voice: Voice) => Promise<number>) => () => Promise<void>;

export function voiceOf(io: Io, color: boolean | undefined): Voice {
  return { io, out: paintFor(io, io.outIsTerminal, color), err: paintFor(io, io.errIsTerminal, color) };
}

/** A result as one JSON document, and nothing else; gives the exit status that it has. */
export function tellJson(command: string, result: object, { io }: Voice): number {
  io.out(`${JSON.stringify({ kamino: 1, command, ...result }, null, 2)}\n`);
  return 'status' in result ? Number(result.status) : 0;
}

/** Findings to the error stream, and their count under them. */
export function tellFindings(findings: readonly Finding[], { io, err }: Voice): void {
  if (findings.length === 0) return;
  io.err(`${renderFindings(findings, err)}\n\n${countFindings(findings)}\n`);
}

function paintFor({ environment }: Io, isTerminal: boolean, wanted: boolean | undefined): Paint {
  const forced = environment['FORCE_COLOR'];
  const isForced = forced !== undefined && forced !== '0' && forced !== 'false';
  const isQuiet = wanted === false || (environment['NO_COLOR'] ?? '') !== '' || forced === '0';
  const c = picocolors.createColors(!isQuiet && (isForced || (isTerminal && environment['TERM'] !== 'dumb')));
  return { error: c.red, warning: c.yellow, note: c.cyan, strong: c.bold, quiet: c.dim };
}
