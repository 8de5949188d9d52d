/** Progress for the person at the terminal. */
export const say = (text) => console.log(`antler: ${text}`);

/** Stops with a sentence that says what to do. */
export function giveUp(text) {
  console.error(`antler: ${text}`);
  process.exit(1);
}
