import { dequal } from 'dequal';
import { asTyped, good, parseLength, wordsOf, type Problem, type Result } from '../quantity';
import { lengthSystem, offers, resolveSchools, type Intent, type Offer } from '../wiring';
import { changedByHand } from './by-hand';
import { derive } from './derive';
import { difference } from './difference';
import type { Lead } from './document';
import { schoolsOf } from './schools-of';
import type { Edit } from './edits';

/** A lead as it is being said: the name, the intent, what was changed by hand, and the length as it was typed, right or wrong. */
export interface EditedLead {
  readonly name: string;
  /** None for a lead that was described from what is in the hand. */
  readonly intent: Intent | undefined;
  readonly edits: readonly Edit[];
  readonly lengthText: string;
}
/** An edited lead that is derived from what it is for. */
export interface EditedIntent extends EditedLead {
  readonly intent: Intent;
}
/** Whether a lead is said by what it is for. */
export const hasIntent = (edited: EditedLead): edited is EditedIntent => edited.intent !== undefined;

/** An edited lead with what is wrong with it, and the lead it comes to when nothing is. */
export interface Read {
  readonly edited: EditedLead;
  readonly problems: readonly Problem[];
  readonly lead: Lead | undefined;
  /** The ways of wiring it, where its ends are known. */
  readonly offers: readonly Offer[];
  /** Whether the length that was typed is the lead's: where it is not, no figure that hangs on it is shown. */
  readonly lengthKnown: boolean;
}

/** The units that lengths of a lead are said in. */
export const lengthUnitsOf = (lead: Lead) => lengthSystem(schoolsOf(lead));

const sayLength = (intent: Intent): string =>
  intent.length ? asTyped(intent.length, lengthSystem(resolveSchools(intent.schools))) : '';

/** What is edited where an intent has just been made. */
export const editedOf = (name: string, intent: Intent, edits: readonly Edit[] = []): EditedIntent => ({
  name,
  intent,
  edits,
  lengthText: sayLength(intent),
});

/** What a stored lead is edited from. */
export const editedOfLead = ({ name, intent, edits }: Lead): EditedLead => ({
  name,
  intent,
  edits,
  lengthText: intent ? sayLength(intent) : '',
});

/** The typed length, put into an intent; text that says what is there already leaves it as it is: saying it may have rounded it. */
function lengthRead({ intent, lengthText }: EditedIntent): {
  readonly length: Result<number>;
  readonly intent: Intent;
} {
  const system = lengthSystem(resolveSchools(intent.schools));
  const bare = system === 'inch' ? 'ft' : 'm';
  const needed = (intent.form ?? 'lead') === 'lead';
  const length: Result<number> = needed
    ? parseLength(lengthText, { path: 'intent.length.mm', bare })
    : good(intent.length?.mm ?? 0);
  if (!needed || !length.ok || lengthText.trim() === sayLength(intent)) return { length, intent };
  const said = wordsOf(lengthText, system);
  return {
    length,
    intent: {
      ...intent,
      length: {
        datum: intent.length?.datum ?? ('face' as const),
        mm: length.value,
        ...(said === undefined ? {} : { said }),
      },
    },
  };
}

/**
 * Reads an edited lead: the typed length first, then the rest. What says the same as the stored lead is that lead; anything else
 * is derived anew.
 */
export function readEdited(edited: EditedLead, kept?: Lead): Read {
  const unnamed: readonly Problem[] =
    edited.name.trim() === ''
      ? [
          {
            code: 'lead.name',
            says: 'The lead needs a name: what you would write on its tape.',
            path: 'name',
          },
        ]
      : [];
  if (!hasIntent(edited)) {
    const changed = kept && changedByHand(kept, edited.name, edited.edits);
    return {
      edited,
      problems: [...unnamed, ...(!changed || changed.ok ? [] : changed.problems)],
      lead: changed?.ok ? changed.value : undefined,
      offers: [],
      lengthKnown: true,
    };
  }
  const { length, intent } = lengthRead(edited);
  const unchanged = kept && dequal(intent, kept.intent) && dequal(edited.edits, kept.edits);
  const derived: Result<Lead> = unchanged ? good(kept) : derive(intent, edited.edits, edited.name);
  const offered = offers(intent);
  return {
    edited: { ...edited, intent },
    problems: [
      ...unnamed,
      ...(length.ok ? [] : length.problems),
      ...(derived.ok
        ? []
        : derived.problems.filter((problem) => length.ok || problem.path !== 'intent.length.mm')),
    ],
    lead: derived.ok ? derived.value : undefined,
    offers: offered.ok ? offered.value : [],
    lengthKnown: length.ok,
  };
}

/** A stored lead as it is read where nothing of it was changed. */
export const readStored = (lead: Lead, offered: readonly Offer[]): Read => ({
  edited: editedOfLead(lead),
  problems: [],
  lead,
  offers: offered,
  lengthKnown: true,
});

/** What would become different if a stored lead were worked out today: nothing where it is what would be derived. */
export function driftOf(kept: Lead): readonly string[] {
  if (!kept.intent) return [];
  const today = derive(kept.intent, kept.edits, kept.name);
  return today.ok
    ? difference(kept.assembly, today.value.assembly)
    : today.problems.map((problem) => problem.says);
}

/** What a new lead starts from: the commonest of all, in the cable that is chosen for it. */
export const START: Intent = {
  version: 5,
  from: [{ port: 'microphone', family: 'xlr3' }],
  to: [{ port: 'microphone-input', family: 'xlr3' }],
  length: { mm: 6000, datum: 'face' },
  surroundings: 'stage',
  schools: {},
};
