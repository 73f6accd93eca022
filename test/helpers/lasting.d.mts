import type { ChildProcess } from 'node:child_process';
import type { Browser, LaunchOptions } from 'playwright-core';

export interface KeptProgram {
  child: ChildProcess;
  folder: string;
  /** The pipe, by its name, through which an answer comes. */
  reply: string;
  /** The file into which a command line goes. */
  input: number;
}

export function enter(): void;
export function leave(): void;
export function driver(): Promise<typeof import('playwright-core')>;
export function browserWith(options: LaunchOptions): Promise<Browser>;
export function keptProgram(): KeptProgram;

declare global {
  var lasting: typeof import('./lasting.mjs');
}
