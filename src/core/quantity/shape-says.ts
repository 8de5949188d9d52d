import type { ValidationError } from 'yup';

/** What a field has to be, by the type that it is not. */
const A: Readonly<Record<string, string>> = {
  array: 'a list',
  boolean: 'true or false',
  number: 'a number',
  object: 'an object, { … }',
  string: 'a text',
};
const LONGEST = 60;

/** A value as it was given, not too much of it. */
function short(value: unknown): string {
  const text = typeof value === 'number' ? `${value}` : (JSON.stringify(value) ?? 'nothing');
  return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text;
}

/** How much of something there has to be, by what Yup counts. */
const amount = (count: unknown, message: string): string =>
  message.includes(' characters')
    ? `${String(count)} ${count === 1 ? 'letter' : 'letters'} long`
    : message.includes(' items')
      ? `${String(count)} ${count === 1 ? 'entry' : 'entries'} long`
      : String(count);

const SAYS: Readonly<
  Record<string, (params: Readonly<Record<string, unknown>>, message: string) => string | undefined>
> = {
  optionality: () => 'is missing: give it',
  required: () => 'is missing: give it',
  nullable: () => 'must not be null: give it, or leave it out where it may be left out',
  typeError: ({ type, value }) => `has to be ${A[String(type)] ?? 'something else'}, and is ${short(value)}`,
  min: ({ min }, message) => `has to be at least ${amount(min, message)}`,
  max: ({ max }, message) => `has to be at most ${amount(max, message)}`,
  length: ({ length }, message) => `has to be ${amount(length, message)}`,
  integer: () => 'has to be a whole number',
  oneOf: ({ values }) => `has to be one of ${String(values)}`,
};

/** What a check of Yup’s found, in our words where it has only its own: the field, and what it has to be. `unknown`: the name that is not known. */
export function sayShape({ type, path, params, message }: ValidationError, unknown: string): string {
  // One that was written for this field does not begin with its path.
  if (!message.startsWith(`${path || 'this'} `)) return message;
  if (type === 'noUnknown')
    return `“${unknown}” is not known here: take it out, or look how it is called in the format.`;
  const says = SAYS[type ?? '']?.(params ?? {}, message);
  if (says === undefined) return message;
  const field = (path ?? '').split('.').at(-1) ?? '';
  return `${field === '' ? 'It' : `“${field}”`} ${says}.`;
}
