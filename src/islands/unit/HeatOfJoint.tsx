import { useEffect, useState } from 'react';
import type { HeatAnswer } from '../../core/heat';
import type { Lead } from '../../core/lead';
import { Chart, Mark } from '../../ui';
import { askLead } from '../../workers';
import styles from './Unit.module.css';

export interface HeatProps {
  readonly lead: Pick<Lead, 'assembly' | 'schools'>;
  readonly joint: string;
}

/** Each joint of a lead is worked out once, as long as the page stands. */
const known = new WeakMap<Lead['assembly'], Map<string, Promise<HeatAnswer | undefined>>>();

function answerFor({ lead, joint }: HeatProps): Promise<HeatAnswer | undefined> {
  const ofLead = known.get(lead.assembly) ?? new Map<string, Promise<HeatAnswer | undefined>>();
  known.set(lead.assembly, ofLead);
  const found = ofLead.get(joint);
  if (found) return found;
  const asked = askLead((remote) => remote.heat(lead, joint)).catch(() => undefined);
  ofLead.set(joint, asked);
  void asked.then((is) => is ?? ofLead.delete(joint));
  return asked;
}

/** With what, how hot and how long a joint is soldered, and the temperatures against time; its place is kept until that is worked out. */
export function HeatOfJoint(props: HeatProps) {
  const [of, setOf] = useState<{
    readonly assembly: object;
    readonly joint: string;
    readonly answer: HeatAnswer | undefined;
  }>();
  const { lead, joint } = props;
  useEffect(() => {
    let isHere = true;
    void answerFor({ lead, joint }).then(
      (answer) => isHere && setOf({ assembly: lead.assembly, joint, answer }),
    );
    return () => {
      isHere = false;
    };
  }, [lead, joint]);
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
        <details>
          <summary>Temperature against seconds</summary>
          <Chart height={180} named={false} chart={chartOf(answer)} />
        </details>
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
