/** A long sum that may be interrupted between its steps: it yields wherever it can be left, and returns what it comes to. */
export type InSteps<T> = Generator<undefined, T, undefined>;

/** A sum done at once, to its end. */
export function atOnce<T>(steps: InSteps<T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
