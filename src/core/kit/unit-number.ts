/** A unit's number as it is written on labels: four figures, so that they sort. */
export const unitNumber = (number: number): string => String(number).padStart(4, '0');
