/** A sentence’s first letter as it is written. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

const LIST = new Intl.ListFormat('en-GB');
/** “1”, “1 and 2”, “1, 2 and 3”. */
export const sayList = (names: readonly string[]): string => LIST.format(names);

/** So many in a row are said by the first and the last of them. */
const ROW = 4;
/** Whether names are numbers that follow each other, enough of them to be a row. */
export const isRow = (names: readonly string[]): boolean =>
  names.length >= ROW && names.every((name, n) => Number(name) === Number(names[0]) + n);
/** The same as a list, where they are no row: “1 to 25”, “1, 2 and 3”. */
export const sayRow = (names: readonly string[]): string =>
  isRow(names) ? `${names[0] ?? ''} to ${names.at(-1) ?? ''}` : sayList(names);
