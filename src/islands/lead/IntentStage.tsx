import { createElement } from 'react';
import { cuts } from '../../core/cutting';
import { carryOut } from '../../core/findings';
import { formatLength } from '../../core/quantity';
import { Turn, useLater } from '../../ui';
import { editedOf, hasIntent, lengthUnitsOf, schoolsOf, type EditedIntent } from '../../core/lead';
import { embedded, paletteOf, useWorkshop } from '../app';
import { Ends } from './Ends';
import type { View } from '../../core/vice';
import { Figures } from './Figures';
import { Findings } from './Findings';
import { Offers } from './Offers';
import { Sentence } from './Sentence';
import type { StageProps } from './stage-props';
import styles from './Stage.module.css';
import { useChoices } from './useChoices';

/** Shown once the worker has chosen: what shows it comes after the first screen too. */
const loadMadeOf = async () => (await import('./MadeOf')).MadeOf;

/** How it is drawn beside the words. */
const GLANCE: View = { side: 'solder', hand: 'right', turn: 0 };

/** Saying what the lead is for, with everything that follows from it beside the words. */
export function IntentStage({ read, found, onChange }: Pick<StageProps, 'read' | 'found' | 'onChange'>) {
  return hasIntent(read.edited) ? (
    <Said read={read} edited={read.edited} found={found} onChange={onChange} />
  ) : (
    <p>
      This lead was described from what it is, not from what it is for: there is nothing to say here. Its
      wiring is the next stage along the cable.
    </p>
  );
}

// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
function Said({
  read,
  edited,
  found,
  onChange,
}: Pick<StageProps, 'read' | 'found' | 'onChange'> & { edited: EditedIntent }) {
  const { problems, lead, offers, lengthKnown } = read;
  const workshop = useWorkshop();
  const palette = paletteOf(workshop, edited.intent);
  const choices = useChoices(edited.intent, palette);
  const MadeOf = useLater(loadMadeOf, choices !== undefined, 0);
  const pieces = lead ? cuts(lead.assembly, schoolsOf(lead)) : [];
  const say = (next: EditedIntent): void => onChange({ ...next, intent: embedded(next.intent, palette) });
  return (
    <>
      <Sentence
        edited={edited}
        problems={problems}
        lead={lead}
        palette={palette}
        choices={choices}
        onChange={say}
      />
      <Turn>
        <Figures
          key={`${edited.intent.from.length} ${edited.intent.to.length}`}
          intent={edited.intent}
          onChange={(intent) => onChange({ ...edited, intent })}
        />
      </Turn>
      <div className={`${styles['beside']} ${styles['even']}`}>
        <section aria-label="Findings">
          <Turn>
            {lead ? (
              <Findings
                findings={found}
                onRemedy={(change) => {
                  const { intent, edits } = carryOut(edited, change);
                  onChange(editedOf(edited.name, intent, edits));
                }}
              />
            ) : (
              <ul className={styles['problems']}>
                {problems.map((problem) => (
                  <li key={problem.path + problem.code}>{problem.says}</li>
                ))}
              </ul>
            )}
            <Offers
              offers={offers}
              chosen={lead?.because.recipe?.id}
              intent={edited.intent}
              onChange={(intent) => onChange({ ...edited, intent })}
            />
          </Turn>
        </section>
        {lead && (
          <Turn>
            <section aria-label="What it comes to">
              <div className={styles['ends']}>
                <Ends lead={lead} as="glance" view={GLANCE} measured={lengthKnown} />
              </div>
              <h2>What it comes to</h2>
              <p>
                <b>{lead.because.recipe?.name}.</b> {lead.because.recipe?.why}
              </p>
              {lengthKnown && pieces.length > 0 && (
                <p>
                  Cut{' '}
                  {pieces.map((cut, n) => (
                    <span key={cut.span}>
                      {n > 0 && ', '}
                      <b className={styles['figure']}>{formatLength(cut.total, lengthUnitsOf(lead))}</b>
                    </span>
                  ))}{' '}
                  of cable.
                </p>
              )}
              <p className={styles['source']}>{lead.because.recipe?.source}</p>
            </section>
          </Turn>
        )}
      </div>
      {MadeOf &&
        choices &&
        createElement(MadeOf, {
          choices,
          intent: edited.intent,
          onChange: (intent) => say({ ...edited, intent }),
        })}
    </>
  );
}
