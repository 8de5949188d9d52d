/** Where what has to be closed at the end is listed: once for the process, whatever bundles it is put together from. */
const ENDINGS = Symbol.for('antler.endings');
const endings = (): Set<() => Promise<void>> => {
  const shared = globalThis as { [ENDINGS]?: Set<() => Promise<void>> };
  return (shared[ENDINGS] ??= new Set());
};

/** Has something done when the last request has been answered. */
export const atEnd = (work: () => Promise<void>): void => void endings().add(work);

/** Does all that is to be done at the end; what fails is left. */
export async function end(): Promise<void> {
  await Promise.allSettled([...endings()].map((work) => work()));
}
