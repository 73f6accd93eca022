/** Where something stands in the plan: offsets of its value in the text. */
export interface Mark {
  start: number;
  end: number;
}
