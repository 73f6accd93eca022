/** A page of the manual. */
export interface ManualPage {
  name: string;
  kind: 'topic' | 'word' | 'trade' | 'key' | 'rule';
  /** One line: what it is. */
  title: string;
  /** Paragraphs of text; `code` in backticks. */
  text: readonly string[];
  examples: readonly Example[];
  /** Names of other pages. */
  see: readonly string[];
}

export interface Example {
  language: 'yaml' | 'html' | 'css' | 'text';
  /** What it does, or null. */
  about: string | null;
  code: string;
}
