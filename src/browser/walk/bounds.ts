/** So long is waited for a page, and for an answer of it, in ms. */
export const patience = 10_000;

/** Does not keep the program from ending. */
export const after = (time: number): Promise<void> =>
  new Promise(done => void setTimeout(done, time).unref());

/** @throws where nothing comes in time */
export async function within<Given>(
  given: Promise<Given>,
  otherwise: string,
  most = patience,
): Promise<Given> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, fail) => {
    timer = setTimeout(() => {
      fail(new Error(otherwise));
    }, most);
  });
  given.catch(() => undefined);
  try {
    return await Promise.race([given, late]);
  } finally {
    clearTimeout(timer);
  }
}
