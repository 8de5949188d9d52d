import { CONNECTORS, isMeant, plainWords, tradeTerms } from '../../catalogue';
import { describedLead, sideOf } from './describe';
import type { NamedLead } from './named-lead';
import { SPECIAL } from './special';
import { STRAIGHT } from './straight';

export type { NamedLead } from './named-lead';

/** The kinds of lead that builders ask for by name. */
export const NAMED: readonly NamedLead[] = [...STRAIGHT, ...SPECIAL];

/**
 * A connector in any of the trade’s words: “female XLR”, “stereo jack”; the family `jack` is one of which nothing else is said.
 * Its own name in the catalogue will do too.
 */
export function connectorCalled(
  text: string,
): { readonly family: string; readonly gender?: 'plug' | 'socket' } | undefined {
  const isCalled = (name?: string): boolean => name?.toLowerCase() === text.trim().toLowerCase();
  const whole = CONNECTORS.find(({ name, familyName }) => isCalled(name) || isCalled(familyName));
  if (whole)
    return {
      family: whole.family,
      ...(isCalled(whole.name) && whole.gender !== 'none' ? { gender: whole.gender } : {}),
    };
  const [first = '', ...rest] = text.split(/\s+/);
  const known = CONNECTORS.some(({ family }) => family === first);
  const said = sideOf(plainWords(known ? `xlr ${rest.join(' ')}` : text));
  if (!said) return undefined;
  const { family, gender } = said;
  return { family: known ? first : family, ...(gender ? { gender } : {}) };
}

/** So many are looked through at a glance. */
const MOST = 6;

const ends = ({ intent }: NamedLead): string =>
  JSON.stringify([
    intent.from.map(({ port, family, gender }) => [port, family, gender]),
    intent.to.map(({ port, family, gender }) => [port, family, gender]),
    intent.form,
    intent.wiring,
  ]);

/**
 * The leads that a builder may mean by what they call it, in any of the trade’s words: those whose own name it is,
 * what its two ends say, those that are found by other words; six at the most. Nothing for an empty text.
 */
export function leadsCalled(text: string): readonly NamedLead[] {
  const asked = tradeTerms(text);
  if (asked.length === 0) return [];
  const byName = NAMED.filter(({ name }) => isMeant(asked, `${name} lead`));
  const described = describedLead(text);
  const byWords = NAMED.filter(({ name, also = '', is }) => isMeant(asked, `${name} lead ${also} ${is}`));
  const all = [...(described ? [described] : []), ...byName, ...byWords];
  const known = new Map<string, NamedLead>();
  for (const each of all) {
    // What has a name of its own is told by it.
    const same = known.get(ends(each));
    if (!same || same.id === 'described') known.set(ends(each), each);
  }
  return [...known.values()].slice(0, MOST);
}
