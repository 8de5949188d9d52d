import { cableOf } from '../../../core/assembly';
import { kitSheet, tools, type KitSheet, type Many } from '../../../core/kit';
import { dressed } from '../../../core/dressing';
import { schoolsOf, type Lead } from '../../../core/lead';
import { hasCard } from '../../../core/vice';
import { lengthSystem } from '../../../core/wiring';
import styles from './Kit.module.css';
import { OwnTool } from './OwnTool';
import { useTools } from './useTools';
import { Cuts, Remade } from './Lengths';
import { Strips } from './Strips';

export interface LengthsProps {
  readonly id: string;
  readonly lead: Lead;
  readonly making: Many;
}

/** What is cut and stripped, what has to fit, and what to mind of the cable. */
export function Lengths({ id, lead, making }: LengthsProps) {
  const whole = kitSheet([{ lead, ...making }]);
  const system = lengthSystem(schoolsOf(lead));
  return (
    <section aria-label="Lengths">
      {whole.cuts.length > 0 && <h2>Cut</h2>}
      <Cuts sheet={whole} system={system} />
      {whole.strips.length > 0 && <h2>Strip</h2>}
      <Strips lead={lead} />
      <Remade sheet={whole} system={system} />
      <Fits fits={whole.fits} />
      <Cautions lead={lead} />
      {hasCard(lead) && (
        <p>
          <a href={`/api/leads/${id}/card.pdf`} target="_blank" rel="noreferrer">
            Card for its case, to be cut out
          </a>
        </p>
      )}
    </section>
  );
}

/** What has to lie on the bench. */
export function Tools({ lead }: { readonly lead: Lead }) {
  const { own, settle, problem } = useTools();
  return (
    <section aria-label="Tools">
      <h2>Tools</h2>
      {problem !== undefined && <p role="alert">{problem}</p>}
      <ul className={styles['tools']}>
        {tools(dressed(lead), schoolsOf(lead)).map(({ id, what, set, because }) => (
          <li key={id}>
            {what}
            {set !== undefined && <b>: {set}</b>}
            <span className={styles['for']}>{because}</span>
            <OwnTool
              name={what}
              ours={own.find((each) => each.id === id)?.ours ?? ''}
              onSettle={(ours) => settle(id, ours)}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

const WORDS: Readonly<Record<KitSheet['fits'][number]['verdict'], string>> = {
  fits: 'fits',
  tight: 'tight',
  not: 'does not fit',
  measure: 'measure it',
};

/** What has to fit, with both figures: what needs a hand in sight, the rest folded. */
function Fits({ fits }: Pick<KitSheet, 'fits'>) {
  const mind = fits.filter(({ verdict }) => verdict !== 'fits');
  const fine = fits.filter(({ verdict }) => verdict === 'fits');
  return (
    <>
      <h2>Fits</h2>
      {mind.length === 0 ? (
        <p>Everything goes where it has to.</p>
      ) : (
        <FitTable name="What to mind" fits={mind} />
      )}
      {fine.length > 0 && (
        <details className={styles['fold']}>
          <summary>{fine.length} that fit</summary>
          <FitTable name="What fits" fits={fine} />
        </details>
      )}
    </>
  );
}

function FitTable({ name, fits }: Pick<KitSheet, 'fits'> & { name: string }) {
  return (
    <table className={styles['fits']} aria-label={name}>
      <thead>
        <tr>
          <th scope="col">What</th>
          <th scope="col">It is</th>
          <th scope="col">There is room for</th>
          <th scope="col" />
        </tr>
      </thead>
      <tbody>
        {fits.map((fit) => (
          <tr key={fit.id}>
            <td>
              {fit.says}
              {fit.todo !== undefined && <span className={styles['for']}>{fit.todo}</span>}
            </td>
            <td>{fit.has}</td>
            <td>{fit.takes}</td>
            <td data-fit={fit.verdict}>{WORDS[fit.verdict]}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What the cables’ own entries say to look out for, at the cutter. */
function Cautions({ lead: { assembly } }: { lead: Lead }) {
  const cables = [...new Set(assembly.spans.flatMap((span) => cableOf(assembly, span) ?? []))];
  const said = cables.flatMap(({ id, name, watch, conductiveLayer }) => [
    ...(watch === undefined ? [] : [{ id: `${id} watch`, says: `${name}: ${watch}` }]),
    ...(conductiveLayer
      ? [
          {
            id: `${id} layer`,
            says: `${name}: peel the black conductive layer 5 mm back; left on, it leaks.`,
          },
        ]
      : []),
  ]);
  if (said.length === 0) return null;
  return (
    <>
      <h2>Of the cable</h2>
      <ul className={styles['wires']}>
        {said.map(({ id, says }) => (
          <li key={id}>{says}</li>
        ))}
      </ul>
    </>
  );
}
