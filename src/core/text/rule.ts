export type Severity = 'error' | 'warning' | 'note';

/** What a rule watches over: its page of the manual. */
export interface Rule {
  severity: Severity;
  /** In one line. */
  about: string;
  /** Why it is there, and what to do. */
  why: string;
  /** An example of both. */
  example: string;
}
