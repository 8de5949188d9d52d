import { cuts } from '../../core/cutting';
import { changeIntent, findings } from '../../core/findings';
import { formatLength } from '../../core/quantity';
import { lengthSystem } from '../../core/wiring';
import { embedded, paletteOf, useWorkshop } from '../app';
import { Ends } from './Ends';
import { Figures } from './Figures';
import { Findings } from './Findings';
import { Offers } from './Offers';
import { Sentence } from './Sentence';
import styles from './Stage.module.css';
import { draftOf, type Draft, type Read } from './useLead';

/** Saying what the lead is for, with everything that follows from it beside the words. */
export function IntentStage({ read, onChange }: { read: Read; onChange: (draft: Draft) => void }) {
  const { draft, problems, lead, offers, lengthKnown } = read;
  const workshop = useWorkshop();
  const palette = paletteOf(workshop, draft.intent);
  const pieces = lead ? cuts(lead.assembly, lead.schools) : [];
  const say = (next: Draft): void => onChange({ ...next, intent: embedded(next.intent, palette) });
  return (
    <>
      <Sentence draft={draft} problems={problems} lead={lead} palette={palette} onChange={say} />
      <Figures
        key={`${draft.intent.from.length} ${draft.intent.to.length}`}
        intent={draft.intent}
        onChange={(intent) => onChange({ ...draft, intent })}
      />
      <div className={`${styles['beside']} ${styles['even']}`}>
        <section aria-label="Findings">
          {lead ? (
            <Findings
              findings={findings(lead.assembly, lead.situation)}
              onRemedy={(change) => onChange(draftOf(draft.name, changeIntent(draft.intent, change)))}
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
            chosen={lead?.recipe.id}
            intent={draft.intent}
            onChange={(intent) => onChange({ ...draft, intent })}
          />
        </section>
        {lead && (
          <section aria-label="What it comes to">
            <div className={styles['ends']}>
              <Ends lead={lead} named={false} measured={lengthKnown} />
            </div>
            <h2>What it comes to</h2>
            <p>
              <b>{lead.recipe.name}.</b> {lead.recipe.why}
            </p>
            {lengthKnown && pieces.length > 0 && (
              <p>
                Cut{' '}
                {pieces.map((cut, n) => (
                  <span key={cut.span}>
                    {n > 0 && ', '}
                    <b className={styles['figure']}>{formatLength(cut.total, lengthSystem(lead.schools))}</b>
                  </span>
                ))}{' '}
                of cable.
              </p>
            )}
            <p className={styles['source']}>{lead.recipe.source}</p>
          </section>
        )}
      </div>
    </>
  );
}
