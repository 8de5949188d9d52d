import { useEffect, useState } from 'react';
import type { HeatAnswer } from '../../core/heat';
import type { Lead } from '../../core/lead';
import { Chart, Mark } from '../../ui';
import { askLead } from '../../workers';
import type { OwnIron } from '../../workers/own-iron';
import { useStored } from '../app';
import { Dwell } from './Dwell';
import { MyIron } from './MyIron';
import styles from './Unit.module.css';

export interface HeatProps {
  readonly lead: Pick<Lead, 'assembly' | 'schools'>;
  readonly joint: string;
}

interface Found {
  readonly answer?: HeatAnswer;
  readonly problem?: string;
}

/** Each joint of a lead is worked out once with an iron, as long as the page stands. */
const known = new WeakMap<Lead['assembly'], Map<string, Promise<Found | undefined>>>();

function answerFor({ lead, joint }: HeatProps, iron: OwnIron): Promise<Found | undefined> {
  const ofLead = known.get(lead.assembly) ?? new Map<string, Promise<Found | undefined>>();
  known.set(lead.assembly, ofLead);
  const key = `${joint} ${JSON.stringify(iron)}`;
  const found = ofLead.get(key);
  if (found) return found;
  const asked = askLead((remote) => remote.heat(lead, joint, iron)).catch(() => undefined);
  ofLead.set(key, asked);
  void asked.then((is) => is ?? ofLead.delete(key));
  return asked;
}

const USUAL: OwnIron = { melts: {} };

/** With what, how hot and how long a joint is soldered, and the temperatures against time; its place is kept until that is worked out. */
export function HeatOfJoint({ lead, joint }: HeatProps) {
  const [iron, keepIron] = useStored<OwnIron>('iron', USUAL);
  const [of, setOf] = useState<Found & { readonly assembly: object; readonly joint: string }>();
  useEffect(() => {
    let isHere = true;
    void answerFor({ lead, joint }, iron).then(
      (found) => isHere && setOf({ ...found, assembly: lead.assembly, joint }),
    );
    return () => {
      isHere = false;
    };
  }, [lead, joint, iron]);
  const isOfThis = of?.joint === joint && of.assembly === lead.assembly;
  const answer = isOfThis ? of.answer : undefined;
  return (
    <section aria-label="Heat of this joint" className={styles['heat']}>
      <p>
        {answer ? answer.says : isOfThis ? '' : 'Working out how hot and how long…'}
        {answer?.warning !== undefined && (
          <>
            {' '}
            <Mark kind="caution" /> {answer.warning}
          </>
        )}
      </p>
      {answer && (
        <>
          {of?.problem !== undefined && <p role="alert">{of.problem}</p>}
          <details>
            <summary>Temperature against seconds</summary>
            <Chart height={180} named={false} chart={chartOf(answer)} />
          </details>
          <Dwell key={joint} seconds={answer.dwell} />
        </>
      )}
      {answer && (
        <MyIron
          key={answer.what}
          iron={iron}
          what={answer.what}
          onIron={(change) => keepIron((now) => change({ ...USUAL, ...now }))}
        />
      )}
    </section>
  );
}

const chartOf = ({ curve, givesWay }: HeatAnswer) => ({
  name: 'Temperature of the joint',
  x: { name: 'time', unit: 's', scale: 'linear' as const },
  y: { name: 'temperature', unit: '°C', scale: 'linear' as const },
  series: [
    { name: 'the joint', points: curve.map(({ s, jointC }) => [s, jointC] as const) },
    ...(givesWay
      ? [
          {
            name: givesWay.what,
            points: curve.map(({ s, insulationC = 20 }) => [s, insulationC] as const),
          },
        ]
      : []),
  ],
  ...(givesWay ? { mark: { y: givesWay.celsius, says: `${givesWay.what} softens` } } : {}),
});
