import { availableParallelism } from 'node:os';

/** By itself a job takes no more: what each reads at once takes room. */
const usual = 2;

/** In how many threads a large site is read, or written. @param asked for; undefined for what the machine is good for */
export const threadsFor = (asked: number | undefined): number =>
  asked ?? Math.min(usual, availableParallelism());
