import type { Finding } from '../core/text/finding.ts';
import { jsonPieces } from '../core/text/json.ts';
import { type Paint, countFindings, renderFinding } from '../core/text/render.ts';
import { visible } from '../core/text/visible.ts';

/** Where a command's words go: what was asked for to `out`, all else to `err`. */
export interface Io {
  out: (text: string) => void;
  err: (text: string) => void;
  outIsTerminal: boolean;
  errIsTerminal: boolean;
  /** Of the terminal that errors go to, in characters. */
  errSize?: () => { columns: number; rows: number };
  environment: Readonly<Record<string, string | undefined>>;
}

/** How a command may write, by the options that every command has. */
export interface Voice {
  io: Io;
  out: Paint;
  err: Paint;
  /** Everything is told, and not the worst alone. */
  tellsAll: boolean;
}

/** Makes what a command does from work that gives the exit status. */
export type Act = (work: (voice: Voice) => Promise<number>) => () => Promise<void>;

export async function voiceOf(
  io: Io,
  { color, all }: { color: boolean; all?: true | undefined },
): Promise<Voice> {
  const paint = async (isTerminal: boolean): Promise<Paint> =>
    color && hasColors(io, isTerminal) ? colors() : plain;
  return {
    io,
    out: await paint(io.outIsTerminal),
    err: await paint(io.errIsTerminal),
    tellsAll: all === true,
  };
}

/** Stands for the escape sign of a colour until the text is printed; it is another in each run, so that no page has it. */
export const escape = `\u{f0000}${Math.random()}\u{f0001}`;

/** The same ways out, with control characters shown: names and texts of pages do nothing to a terminal. */
export function withoutControls(io: Io): Io {
  const shown = (text: string): string => visible(text).replaceAll(escape, '\x1b');
  return { ...io, out: text => io.out(shown(text)), err: text => io.err(shown(text)) };
}

/** A result as one JSON document, and nothing else; gives the exit status that it has. */
export function tellJson(command: string, result: object, { io }: Voice): number {
  for (const piece of jsonPieces({ kamino: 1, command, ...result })) io.out(piece);
  return 'status' in result ? Number(result.status) : 0;
}

/**
 * Findings to the error stream, and their count under them; on a terminal no more than fit, the worst first.
 * @param most lines of them anywhere, where nobody has asked for all
 */
export function tellFindings(
  findings: readonly Finding[],
  { io, err, tellsAll }: Voice,
  most = Infinity,
): void {
  if (findings.length === 0) return;
  const { columns, rows } = sizeOf(io);
  const room = tellsAll
    ? Infinity
    : Math.min(most, rows === Infinity ? rows : Math.max(leastLines, rows - 4));
  const texts = worstFirst(findings, room).map(one =>
    renderFinding(one, err, { width: columns, places: tellsAll ? Infinity : mostPlaces }),
  );
  const shown = fitting(texts, room);
  const more = texts.length - shown.length;
  const rest = more === 0 ? '' : `, ${more} of them left out here;  --all  shows them`;
  io.err(`${shown.join('\n\n')}\n\n${countFindings(findings)}${rest}\n`);
}

/** How wide what was asked for may be: as the terminal, where it goes to one. */
export const widthOf = ({ io }: Voice): number =>
  sizeOf({ ...io, errIsTerminal: io.outIsTerminal && io.errIsTerminal }).columns;

/** Of the terminal that errors go to; a file has no size, and some terminals say that they have none. */
function sizeOf({ errIsTerminal, errSize }: Io): { columns: number; rows: number } {
  const size = errIsTerminal ? errSize?.() : undefined;
  return { columns: size?.columns || Infinity, rows: size?.rows || Infinity };
}

const leastLines = 12;
const mostPlaces = 4;

/** Where not all are told, errors come before what is less. */
function worstFirst(findings: readonly Finding[], room: number): Finding[] {
  if (room === Infinity) return [...findings];
  return (['error', 'warning', 'note'] as const).flatMap(severity =>
    findings.filter(one => one.severity === severity),
  );
}

/** The first texts, with an empty line between them, that take no more than so many lines; one at least. */
function fitting(texts: readonly string[], lines: number): string[] {
  let taken = 0;
  const count = texts.findIndex(text => (taken += text.split('\n').length + 1) > lines);
  return count < 0 ? [...texts] : texts.slice(0, Math.max(1, count));
}

function hasColors({ environment }: Io, isTerminal: boolean): boolean {
  const forced = environment['FORCE_COLOR'];
  const isForced = forced !== undefined && forced !== '0' && forced !== 'false';
  const isQuiet = (environment['NO_COLOR'] ?? '') !== '' || forced === '0';
  return !isQuiet && (isForced || (isTerminal && environment['TERM'] !== 'dumb'));
}

const plain: Paint = { error: visible, warning: visible, note: visible, strong: visible, quiet: visible };

/** What knows colours looks for a terminal as soon as it is loaded, which takes a while. */
async function colors(): Promise<Paint> {
  const { default: picocolors } = await import('picocolors');
  const c = picocolors.createColors(true);
  const kept =
    (paint: (text: string) => string) =>
    (text: string): string =>
      paint(visible(text)).replaceAll('\x1b', escape);
  return {
    error: kept(c.red),
    warning: kept(c.yellow),
    note: kept(c.cyan),
    strong: kept(c.bold),
    quiet: kept(c.dim),
  };
}

/** Until somebody ends what goes on. */
export function untilEnded(): Promise<void> {
  return new Promise(resolve => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const)
      process.once(signal, () => {
        resolve();
      });
  });
}
