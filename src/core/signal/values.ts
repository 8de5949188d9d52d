import type { Problem, Result } from '../quantity';
import type { Answer, Question, Values } from './types';

const MULTIPLIERS: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  µ: 1e-6,
  u: 1e-6,
  m: 1e-3,
  '': 1,
  k: 1e3,
  K: 1e3,
  M: 1e6,
};

/** A number as it is typed into a sum: `4.7k`, `4,7 kΩ`, `600`, `−20`, `10 n`. The unit may follow. */
export function readNumber(text: string, unit: string): number | undefined {
  const plain = text.trim().replace(/^[−–]/, '-');
  const bare = unit !== '' && plain.endsWith(unit) ? plain.slice(0, -unit.length).trim() : plain;
  const match = /^([+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+)(?:e[+-]?\d+)?)\s*([pnµumkKM]?)$/.exec(bare);
  if (!match) return undefined;
  return Number((match[1] ?? '').replace(',', '.')) * (MULTIPLIERS[match[2] ?? ''] ?? Number.NaN);
}

/** A number as it would be typed into a sum: `4.7k`, `1M`; what {@link readNumber} reads back. */
export const typeNumber = (value: number): string =>
  value >= 1e6
    ? `${value / 1e6}M`
    : value >= 1e4 || (value >= 1000 && value % 100 === 0)
      ? `${value / 1000}k`
      : `${value}`;

/** Answers a question from what was typed into its slots; what is not typed is as usual. Each problem names its slot. */
export function ask(question: Question, typed: Readonly<Record<string, string>>): Result<Answer> {
  const problems: Problem[] = [];
  const numbers = new Map<string, number>();
  const choices = new Map<string, string>();
  for (const slot of question.slots) {
    const text = typed[slot.id];
    if (slot.kind === 'choice') {
      const chosen = text ?? slot.usual;
      if (chosen in slot.options) choices.set(slot.id, chosen);
      else
        problems.push({
          code: 'sum.choice',
          says: `${slot.name}: choose ${Object.values(slot.options).join(' or ')}.`,
          path: slot.id,
        });
      continue;
    }
    const value = text === undefined ? slot.usual : readNumber(text, slot.unit);
    const bounds = `${typeNumber(slot.min)} to ${typeNumber(slot.max)}${slot.unit === '' ? '' : ` ${slot.unit}`}`;
    if (value === undefined || !Number.isFinite(value))
      problems.push({
        code: 'sum.number',
        says: `${slot.name}: “${(text ?? '').trim()}” is no number. Type one from ${bounds}; k and M may follow it.`,
        path: slot.id,
      });
    else if (value < slot.min || value > slot.max)
      problems.push({
        code: 'sum.range',
        says: `${slot.name}: ${value} is out of range. Type a number from ${bounds}.`,
        path: slot.id,
      });
    else numbers.set(slot.id, value);
  }
  for (const id of Object.keys(typed))
    if (!question.slots.some((slot) => slot.id === id))
      problems.push({ code: 'sum.slot', says: `There is nothing called ${id} in this sum.`, path: id });
  if (problems.length > 0) return { ok: false, problems };
  const values: Values = {
    number: (id) => numbers.get(id) ?? Number.NaN,
    choice: (id) => choices.get(id) ?? '',
  };
  return question.answer(values);
}
