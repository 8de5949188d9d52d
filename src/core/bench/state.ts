import { array, boolean, number, object, string } from 'yup';
import { migrated, record, type DocumentMigration, type Shape } from '../quantity';
import type { BenchEvent } from './events';

/** The version of states written today. */
export const STATE_VERSION = 2;

/**
 * What decides which event may come next, and nothing else: what is done, what has been confirmed, what was mended last. It
 * is kept with a unit, so that an event is judged without reading all that came before it.
 */
export const stateSchema = object({
  version: number()
    .oneOf([STATE_VERSION] as const)
    .required(),
  done: array(string().required()).required(),
  /** Operation → what has been confirmed of it. */
  confirmed: record(array(string().required()).required(), { what: 'What is confirmed', most: 2000 }),
  logged: boolean().required(),
  /** Nothing more happens to it: it will never be a lead. */
  givenUp: boolean(),
  /** The last mending, by its event's id; none where nothing was mended. */
  mended: string(),
}).noUnknown();
export type BenchState = Shape<typeof stateSchema>;

/** One step for each version ever written. */
export const STATE_MIGRATIONS: readonly DocumentMigration[] = [
  {
    from: 1,
    to: 2,
    name: 'a unit may be given up; none was before',
    up: (state) => ({ ...state, version: 2 }),
  },
];

/** A state as it was stored by ourselves, brought up to today's version. */
export const storedState = (document: unknown): BenchState =>
  migrated(document, STATE_MIGRATIONS) as BenchState;

/** Before anything has happened. */
export const NEW_STATE: BenchState = { version: STATE_VERSION, done: [], confirmed: {}, logged: false };

/** The state after one more event that was taken. */
export function after(state: BenchState, { id, kind, operation, text }: BenchEvent): BenchState {
  switch (kind) {
    case 'confirm': {
      if (operation === undefined || text === undefined || text === '') return state;
      const so = state.confirmed[operation] ?? [];
      return so.includes(text)
        ? state
        : { ...state, confirmed: { ...state.confirmed, [operation]: [...so, text] } };
    }
    case 'done':
      return operation === undefined || state.done.includes(operation)
        ? state
        : { ...state, done: [...state.done, operation] };
    case 'undo': {
      if (operation === undefined) return state;
      const { [operation]: _, ...confirmed } = state.confirmed;
      return { ...state, done: state.done.filter((each) => each !== operation), confirmed };
    }
    case 'mended':
      return { ...state, mended: id };
    case 'logged':
      return { ...state, logged: true };
    case 'given-up':
      return { ...state, givenUp: true };
    case 'open':
    case 'note':
    case 'wrong':
      return state;
  }
}

/** The state after these events, from nothing. */
export const stateOf = (events: readonly BenchEvent[]): BenchState => events.reduce(after, NEW_STATE);
