import type { Intent, Offer } from '../../core/wiring';
import { Button, Mark } from '../../ui';
import styles from './Offers.module.css';

const WORD = {
  right: ['good', 'Right'],
  possible: ['note', 'Possible'],
  wrong: ['stop', 'Refused'],
} as const;

/** Every way of wiring that has to do with these ends: best first, each with why; and those refused, with the reason. */
export function Offers({
  offers,
  chosen,
  intent,
  onChange,
}: {
  offers: readonly Offer[];
  /** The recipe that is taken now. */
  chosen: string | undefined;
  intent: Intent;
  onChange: (intent: Intent) => void;
}) {
  if (offers.length === 0) return null;
  const choose = (recipe: string): void => {
    const { wiring: _, choices: __, ...rest } = intent;
    onChange(recipe === offers[0]?.recipe ? rest : { ...rest, wiring: recipe });
  };
  const overrule = ({ recipe, refusal }: Offer): void => {
    if (refusal)
      onChange({ ...intent, wiring: recipe, anyway: [...new Set([...(intent.anyway ?? []), refusal.id])] });
  };
  return (
    <section aria-label="Ways of wiring it">
      <h2>Ways of wiring it</h2>
      <ul className={styles['list']}>
        {offers.map((offer) => {
          const [mark, word] = WORD[offer.is];
          const here = offer.recipe === chosen;
          return (
            <li key={offer.recipe} className={styles['offer']} data-chosen={here}>
              <p className={styles['name']}>
                <Mark kind={mark} word={offer.overruled ? 'Overruled' : word} />{' '}
                <b>{offer.name.charAt(0).toUpperCase() + offer.name.slice(1)}</b>
                {here && <span className={styles['here']}> taken</span>}
              </p>
              <p className={styles['why']}>{offer.refusal?.says ?? offer.why}</p>
              {offer.refusal && <p className={styles['why']}>What you would hear: {offer.refusal.hear}</p>}
              {offer.lacks && <p className={styles['why']}>{offer.lacks.says}</p>}
              {!here && offer.is !== 'wrong' && !offer.lacks && (
                <Button onClick={() => choose(offer.recipe)}>Wire it so</Button>
              )}
              {offer.is === 'wrong' && offer.refusal?.anyway && (
                <Button onClick={() => overrule(offer)}>Do it anyway</Button>
              )}
              {offer.is === 'wrong' && offer.refusal && !offer.refusal.anyway && (
                <p className={styles['never']}>Not to be overruled.</p>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
