import { mixed, number, object, string } from 'yup';
import { instant, union, uuid, type Shape } from '../quantity';
import { EVENT_KINDS } from './events';

/** The fields of an event. */
export const eventFields = {
  id: uuid(),
  kind: string().oneOf(EVENT_KINDS).required(),
  operation: string().max(120),
  text: string().max(2000),
  at: instant(),
};

const isFigure = (value: unknown): value is number =>
  typeof value === 'number' && value >= 0 && Number.isFinite(value);
/** A figure from 0 up, or `"OL"`. */
const figure = (unit: string) =>
  mixed<number | 'OL'>((value): value is number | 'OL' => value === 'OL' || isFigure(value)).required(
    `must be ${unit} from 0 up, or "OL"`,
  );
const word = <const Kind extends string>(kind: Kind) =>
  object({
    kind: string()
      .oneOf([kind] as const)
      .required(),
  }).noUnknown();

/** What the meter said: ohms or volts, where an open reading is `"OL"`, farads, or a word; and what was answered to a test or a look. */
export const answer = union('kind', {
  ohms: object({
    kind: string()
      .oneOf(['ohms'] as const)
      .required(),
    ohms: figure('ohms'),
  }).noUnknown(),
  volts: object({
    kind: string()
      .oneOf(['volts'] as const)
      .required(),
    volts: figure('volts'),
  }).noUnknown(),
  farads: object({
    kind: string()
      .oneOf(['farads'] as const)
      .required(),
    farads: number().min(0).max(1e6).required(),
  }).noUnknown(),
  beep: word('beep'),
  silent: word('silent'),
  unsteady: word('unsteady'),
  yes: word('yes'),
  no: word('no'),
  skipped: word('skipped'),
});

/** The fields of a reading. */
export const readingFields = {
  id: uuid(),
  probe: string().required().max(2000),
  answer,
  after: string().uuid('must be a UUID'),
  at: instant(),
};

const tag = <const Is extends string>(is: Is) =>
  string()
    .oneOf([is] as const)
    .required();
/** One thing that happened to a unit, at the bench or at the meter, as it travels and as it is kept in files. */
export const recordSchema = union('is', {
  event: object({ is: tag('event'), ...eventFields }).noUnknown(),
  reading: object({ is: tag('reading'), ...readingFields }).noUnknown(),
});

export type RecordFile = Shape<typeof recordSchema>;
