/** A sentence’s first letter as it is written. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
