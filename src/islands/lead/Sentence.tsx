import { capital, type Problem } from '../../core/quantity';
import { DATUMS, FORMS, USUAL_LEG, type Form, type Intent } from '../../core/wiring';
import type { ChoicesFile } from '../../core/formats';
import type { EditedIntent, Lead } from '../../core/lead';
import { SURROUNDINGS } from '../../core/situation';
import type { Palette } from '../app';
import { useTurns } from '../../ui';
import styles from '../app/Sentence.module.css';
import { FIRST_END, SentenceSide } from './SentenceSide';
import { options, Slot, TextSlot, WholeSlots } from './Slots';

interface SentenceProps {
  readonly edited: EditedIntent;
  readonly problems: readonly Problem[];
  /** What it comes to, where it is whole: its recipe may have things to ask. */
  readonly lead: Lead | undefined;
  /** The catalogue with the workshop's own. */
  readonly palette: Palette;
  /** What it could be made of; nothing until that is worked out. */
  readonly choices: ChoicesFile | undefined;
  readonly onChange: (edited: EditedIntent) => void;
}

/** What a lead is for, as a sentence whose slots are pickers. Each slot leaves only what goes with the others. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function Sentence({ edited, problems, lead, palette, choices, onChange }: SentenceProps) {
  const { intent } = edited;
  const form = intent.form ?? 'lead';
  const put = (patch: Partial<Intent>): void => onChange({ ...edited, intent: { ...intent, ...patch } });
  const without = (key: keyof Intent): void => {
    const { [key]: _, ...rest } = intent;
    onChange({ ...edited, intent: rest as Intent });
  };
  /** Changing the ends asks the wiring afresh: what was chosen for others may not suit these. */
  const putEnds = (patch: Partial<Pick<Intent, 'from' | 'to' | 'form'>>): void => {
    const { wiring: _, anyway: __, ...rest } = intent;
    onChange({ ...edited, intent: { ...rest, ...patch } });
  };
  const putForm = (next: Form): void =>
    putEnds({
      form: next,
      from: next === 'plug' ? [] : intent.from.length > 0 ? intent.from : [FIRST_END.from],
      to: next === 'plug' ? intent.to.slice(0, 1) : intent.to,
    });
  const side = (which: 'from' | 'to') => (
    <SentenceSide which={which} intent={intent} palette={palette} problems={problems} onEnds={putEnds} />
  );
  // Of all that is on the page there is most of what could be picked, and none of it is seen yet.
  const isWhole = useTurns(1, 'unseen') > 0;
  const parted =
    form === 'lead' &&
    (intent.legs !== undefined || lead?.assembly.bodies.some((body) => body.kind === 'breakout'));
  return (
    <WholeSlots value={isWhole}>
      {' '}
      <form className={styles['sentence']} onSubmit={(event) => event.preventDefault()}>
        <p>
          <Slot
            label="made as"
            path="intent.form"
            problems={problems}
            value={form}
            onChange={(value) => putForm(value as Form)}
          >
            {options(Object.fromEntries(Object.entries(FORMS).map(([id, name]) => [id, capital(name)])))}
          </Slot>{' '}
          {form === 'plug' ? 'for ' : 'from '}
          {form !== 'plug' && <>{side('from')} into </>}
          {side('to')}
          {form === 'lead' && <LengthPart edited={edited} problems={problems} onChange={onChange} />}
          {parted && (
            <>
              , legs{' '}
              <Slot
                label="legs"
                path="intent.legs.mm"
                problems={problems}
                value={`${intent.legs?.mm ?? USUAL_LEG}`}
                onChange={(mm) => put({ legs: { mm: Number(mm) } })}
              >
                {[
                  ...new Set([150, 200, 300, USUAL_LEG, 400, 500, 800, 1000, intent.legs?.mm ?? USUAL_LEG]),
                ].map((mm) => (
                  <option key={mm} value={mm}>
                    {mm} mm
                  </option>
                ))}
              </Slot>
            </>
          )}
          ,{' '}
          <Slot
            label="surroundings"
            path="intent.surroundings"
            problems={problems}
            value={intent.surroundings}
            onChange={(value) => put({ surroundings: value as Intent['surroundings'] })}
          >
            {options(SURROUNDINGS)}
          </Slot>
          {form === 'lead' && (
            <CablePart
              intent={intent}
              palette={palette}
              problems={problems}
              choices={choices}
              chosen={lead?.assembly.uses.cables[0]?.name}
              onCable={(cable) => (cable === '' ? without('cable') : put({ cable }))}
              onThrough={(mm) => (mm === undefined ? without('through') : put({ through: { mm } }))}
            />
          )}
          {lead && (
            <AskedPart
              asks={lead.because.asks}
              intent={intent}
              problems={problems}
              onChoices={(choices) => put({ choices })}
            />
          )}
          .
        </p>
      </form>
    </WholeSlots>
  );
}

/** How long, and where that is measured. */
function LengthPart({ edited, problems, onChange }: Pick<SentenceProps, 'edited' | 'problems' | 'onChange'>) {
  const { intent } = edited;
  return (
    <>
      ,{' '}
      <TextSlot
        label="length"
        path="intent.length.mm"
        problems={problems}
        value={edited.lengthText}
        placeholder="how long"
        onChange={(lengthText) => onChange({ ...edited, lengthText })}
      />{' '}
      <Slot
        label="measured"
        path="intent.length.datum"
        problems={problems}
        value={intent.length?.datum ?? 'face'}
        onChange={(datum) =>
          onChange({
            ...edited,
            intent: {
              ...intent,
              length: { mm: intent.length?.mm ?? 0, datum: datum as keyof typeof DATUMS },
            },
          })
        }
      >
        {options(DATUMS)}
      </Slot>
    </>
  );
}

/** Which cable, and what it is pulled through. */
function CablePart({
  intent,
  palette,
  problems,
  choices,
  chosen,
  onCable,
  onThrough,
}: Pick<SentenceProps, 'palette' | 'problems' | 'choices'> & {
  readonly intent: Intent;
  /** What the cable is called that the lead is made of, where it is whole. */
  readonly chosen: string | undefined;
  /** By its id; nothing where it is left open. */
  readonly onCable: (id: string) => void;
  /** mm; nothing where nothing is narrow. */
  readonly onThrough: (mm: number | undefined) => void;
}) {
  // Where none can be used it is something else that is missing: that is said at its own slot.
  const some = choices?.cables.some(({ can }) => can) ?? false;
  const cannot = new Set(some ? choices?.cables.flatMap(({ id, can }) => (can ? [] : [id])) : []);
  const small = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);
  const open = intent.cable === undefined ? chosen : choices?.cables.find(({ can }) => can)?.name;
  return (
    <>
      , in{' '}
      <Slot
        label="cable"
        path="intent.cable"
        problems={problems}
        value={intent.cable ?? ''}
        onChange={onCable}
      >
        <option value="">
          {open === undefined
            ? 'the cable that suits'
            : intent.cable === undefined
              ? `${small(open)} (chosen)`
              : `left open: ${small(open)}`}
        </option>
        {palette.cables.map((cable) => {
          const fits = !cannot.has(cable.id);
          return (
            <option key={cable.id} value={cable.id} disabled={!fits}>
              {small(cable.name)}
              {fits ? '' : ' (does not carry this)'}
            </option>
          );
        })}
      </Slot>
      , pulled through{' '}
      <Slot
        label="through"
        path="intent.through.mm"
        problems={problems}
        value={`${intent.through?.mm ?? ''}`}
        onChange={(mm) => onThrough(mm === '' ? undefined : Number(mm))}
      >
        <option value="">nothing narrow</option>
        {[...new Set([8, 10, 12, 14, 16, 20, 25, 32, ...(intent.through ? [intent.through.mm] : [])])].map(
          (mm) => (
            <option key={mm} value={mm}>
              a hole of {mm} mm
            </option>
          ),
        )}
      </Slot>
    </>
  );
}

/** What the recipe asks: a choice for each, the usual one named. */
function AskedPart({
  asks,
  intent,
  problems,
  onChoices,
}: {
  readonly asks: Lead['because']['asks'];
  readonly intent: Intent;
  readonly problems: readonly Problem[];
  readonly onChoices: (choices: Intent['choices']) => void;
}) {
  return asks.map((choice) => (
    <span key={choice.id}>
      , <span className={styles['asked']}>{choice.question.toLowerCase()}</span>{' '}
      <Slot
        label={choice.question}
        path={`intent.choices.${choice.id}`}
        problems={problems}
        value={choice.answer}
        onChange={(answer) => {
          const { [choice.id]: _, ...rest } = intent.choices ?? {};
          onChoices(answer === choice.default ? rest : { ...rest, [choice.id]: answer });
        }}
      >
        {Object.entries(choice.options).map(([id, name]) => (
          <option key={id} value={id}>
            {name}
            {id === choice.default ? ' (usual)' : ''}
          </option>
        ))}
      </Slot>
    </span>
  ));
}
