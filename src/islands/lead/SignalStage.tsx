import { startTransition, useEffect, useState } from 'react';
import { hasIntent, mainUse, type Lead, type Variant } from '../../core/lead';
import type { Result } from '../../core/quantity';
import {
  figuresOfKind,
  type Chart as ChartData,
  type Figure,
  type LeadSignal,
  type Look,
} from '../../core/signal';
import type { KnownFacts, Situation } from '../../core/situation';
import type { Offer } from '../../core/wiring';
import { Button, Chart, CircuitText, Mark, Rows, Turn } from '../../ui';
import { askLead, type HeardLead, type SignalRemote } from '../../workers';
import { searchOf, usePlace, useWorker, type Worked } from '../app';
import { Memory } from './Memory';
import { SideBySide } from './SideBySide';
import { SignalFigures } from './SignalFigures';
import type { StageProps } from './stage-props';
import styles from './Signal.module.css';
import { Sliders } from './Sliders';
import { addressOf, viewIn, type SignalView } from './signal-view';

/** What the lead does to the signal: a verdict, the chart that matters, and what may be turned to see what it hangs on. */
export function SignalStage({ sheet, read, onChange }: StageProps) {
  if (!read.lead)
    return (
      <p>The intent has to be whole before the signal can be followed: go back to it along the cable.</p>
    );
  const { edited } = read;
  const use = mainUse(read.lead);
  if (!use) return <p>What its ends meet is not known, so there is no signal to follow.</p>;
  return (
    <Signal
      lead={read.lead}
      use={use}
      offers={read.offers}
      before={read.lead === sheet.lead ? sheet.figures : []}
      onFacts={(facts) => {
        if (!hasIntent(edited)) return;
        const { facts: _, ...rest } = edited.intent;
        const known = Object.keys(facts).length > 0;
        onChange({ ...edited, intent: known ? { ...rest, facts } : rest });
      }}
    />
  );
}

const MOST_BESIDE = 2;
/** ms. */
const ADDRESS_AFTER = 250;
/** How long drawing takes, about, ms. */
const DRAWN_MS = 250;

interface Heard {
  readonly results: readonly Result<LeadSignal>[];
  /** What it gains or costs against another way of wiring it. */
  readonly against?: string | undefined;
  /** What else it could be, where that is known. */
  readonly variants?: readonly Variant[] | undefined;
}

/** What was last heard of a lead in this window: whoever comes back to it finds it there. */
const HAD = new WeakMap<Lead, Worked<Heard>>();

const firstChart = (results: Heard['results'] | undefined): string | undefined => {
  const [own] = results ?? [];
  return own?.ok ? own.value.charts[0]?.name : undefined;
};

/** A lead as it is looked at: in its first use. */
const heardIn = ({ name, lead }: Pick<Variant, 'name' | 'lead'>): readonly HeardLead[] => {
  const situation = mainUse(lead);
  return situation ? [{ name, assembly: lead.assembly, situation }] : [];
};

// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is view.
function Signal({
  lead,
  use,
  offers,
  before,
  onFacts,
}: {
  lead: Lead;
  /** What its ends meet in the use that is looked at. */
  use: Situation;
  offers: readonly Offer[];
  /** Figures that are known before anything is worked out here. */
  before: readonly Figure[];
  /** What is known better than from memory belongs to the lead: it is kept with its intent. */
  onFacts: (facts: KnownFacts) => void;
}) {
  const place = usePlace();
  const [{ look, beside }, see] = useState<SignalView>(() => viewIn(searchOf(place)));
  // It stands in the page's address, so that a reload or a link brings it back: when the hand rests, since browsers take
  // only so many changes of an address in a while.
  const address = addressOf({ look, beside });
  useEffect(() => {
    const timer = setTimeout(() => place.rename(`${location.pathname}${address}`), ADDRESS_AFTER);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what it is called hangs on nothing else
  }, [address]);
  const [turning, setTurning] = useState(false);
  // Kept and found is the lead as it is alone: nothing else is ever shown for it.
  const plain = Object.keys(look).length === 0 && beside.length === 0;
  const [had] = useState(() => (plain ? HAD.get(lead) : undefined));
  const [first, setFirst] = useState(had !== undefined);
  const [shown, setShown] = useState(() => firstChart(had?.value.results));
  const [known, setKnown] = useState(had?.value.variants && { of: lead, variants: had.value.variants });
  const variants = known?.variants ?? [];
  const chosen = variants.filter((each) => beside.includes(each.id));
  const besideIds = chosen.map((each) => each.id);
  const subjects: readonly HeardLead[] = [...heardIn({ name: 'as it is', lead }), ...chosen.flatMap(heardIn)];
  // What stands beside it is what it is compared with in words; else the first other school that makes a difference.
  const rivalsOf = (others: readonly Variant[]): readonly Variant[] =>
    chosen.length > 0 ? chosen.slice(0, 1) : others.filter((each) => each.school);
  // The curve first; the ranges of its figures, and what it comes to against others, when that stands.
  const settled = first && !turning;
  const asked: Look = { ...look, ranges: settled && subjects.length === 1 };
  // What stands beside a lead that was changed has to be derived anew with it.
  const isOfIt = besideIds.length === 0 || known?.of === lead;
  const key = JSON.stringify([lead.intent, besideIds, isOfIt, asked, settled]);
  const heard = (value: Heard): Heard => {
    if (plain) HAD.set(lead, { key, value });
    return value;
  };
  const work = async (remote: SignalRemote): Promise<Heard> => {
    // The curve is drawn before its ranges are worked out: both at once hold the page up.
    if (settled) await new Promise((resolve) => setTimeout(resolve, DRAWN_MS));
    const results = await remote.signals([...subjects], asked);
    // Which curve is shown is settled by the first look: it does not change under the hand that turns.
    setShown((name) => name ?? firstChart(results));
    setFirst(true);
    const [own] = subjects;
    if (!settled || !own) return heard({ results, variants: known?.variants });
    // What else it could be is worked out after it, by the same hand: beside it both would be late, and the page too.
    const others = known?.of === lead ? known.variants : await remote.variants(lead, offers).catch(() => []);
    if (known?.of !== lead) startTransition(() => setKnown({ of: lead, variants: others }));
    const against = await remote.against(own, rivalsOf(others).flatMap(heardIn), asked);
    return heard({ results, against, variants: others });
  };
  const bench = useWorker<Heard>(key, work, had);
  const [main, ...others] = bench.value?.results ?? [];
  const charts = main?.ok ? main.value.charts : [];
  const chart = charts.find((each) => each.name === shown) ?? charts[0];
  const turn = (change: Partial<Look>): void =>
    see((before) => ({ ...before, look: { ...before.look, ...change } }));
  const turned = Object.keys(look).length > 0;

  return (
    <section aria-label="Signal" className={styles['stage']}>
      <div role="status" className={styles['verdict']}>
        {main?.ok && (
          <p className={styles['says']}>
            <Mark kind={main.value.weight} /> {main.value.says}
          </p>
        )}
        {main?.ok && bench.value?.against && <p className={styles['against']}>{bench.value.against}</p>}
        {main && !main.ok && main.problems.map((problem) => <p key={problem.path}>{problem.says}</p>)}
        {bench.failed && <p>{bench.failed}</p>}
        {!main && !bench.failed && !bench.stopped && (
          <>
            <p className={styles['scripted']}>Following the signal…</p>
            <p className={styles['unscripted']}>
              What it does to the signal, without its curves: those are worked out by scripts.
            </p>
          </>
        )}
        {bench.slow && (
          <p className={styles['busy']}>
            Working it out… <Button onClick={bench.stop}>Stop</Button>
          </p>
        )}
        {bench.stopped && (
          <p className={styles['busy']}>
            Stopped: what is shown is from before. <Button onClick={bench.again}>Go on</Button>
          </p>
        )}
      </div>
      {!main && before.length > 0 && (
        <div className={styles['beside']}>
          <div className={styles['curvePlace']} />
          <SignalFigures figures={before} />
        </div>
      )}
      {main && (
        <div className={styles['beside']} data-stale={!bench.current}>
          <div>
            {charts.length > 1 && (
              <div role="group" aria-label="which curve" className={styles['curves']}>
                {charts.map(({ name }) => (
                  <button
                    key={name}
                    type="button"
                    className={styles['curve']}
                    aria-pressed={name === chart?.name}
                    onClick={() => setShown(name)}
                  >
                    {name}
                  </button>
                ))}
              </div>
            )}
            {chart && (
              <Chart chart={together(chart, others, subjects)} height={236} named={charts.length === 1} />
            )}
            {main.ok && main.value.table && <Rows table={main.value.table} />}
            <Turn>
              <Sliders
                lead={lead}
                use={use}
                look={look}
                loop={
                  look.groundVolts !== undefined ||
                  (main.ok && figuresOfKind(main.value.figures, 'hum').length > 0)
                }
                onTurn={turn}
                onTurning={setTurning}
              />
              <Memory facts={use.facts ?? {}} onChange={onFacts} />
              <CircuitText
                key={JSON.stringify(look)}
                text={() =>
                  askLead((remote) => remote.deckOf('a lead, plugged in', lead.assembly, use, look))
                }
              />
              {turned && <Button onClick={() => see({ look: {}, beside })}>As the lead has it</Button>}
            </Turn>
          </div>
          <div>
            <Turn>
              {' '}
              {main.ok && <SignalFigures figures={main.value.figures} />}
              {main.ok && main.value.sections.length > 0 && (
                <p className={styles['cut']}>
                  {main.value.sections.map(({ span, because }) => `${span}: ${because} `)}
                  Skin effect and what insulation takes of a changing field are left out.
                </p>
              )}
              {variants.length > 0 && (
                <fieldset className={styles['variants']}>
                  <legend>Beside it</legend>
                  {variants.map(({ id, name }) => (
                    <label key={id}>
                      <input
                        type="checkbox"
                        checked={besideIds.includes(id)}
                        disabled={!besideIds.includes(id) && besideIds.length >= MOST_BESIDE}
                        onChange={() =>
                          see({
                            look,
                            beside: besideIds.includes(id)
                              ? besideIds.filter((each) => each !== id)
                              : [...besideIds, id],
                          })
                        }
                      />{' '}
                      {name}
                    </label>
                  ))}
                </fieldset>
              )}
              {others.length > 0 && <SideBySide results={[main, ...others]} subjects={subjects} />}
            </Turn>{' '}
          </div>
        </div>
      )}
    </section>
  );
}

/** The chart of the lead with the same of what it is compared with: one curve each then. */
function together(
  own: ChartData,
  others: readonly Result<LeadSignal>[],
  subjects: readonly HeardLead[],
): ChartData {
  if (others.length === 0) return own;
  const { mark: _, ...rest } = own;
  return {
    ...rest,
    series: [
      ...own.series.slice(0, 1).map((series) => ({ ...series, name: subjects[0]?.name ?? '' })),
      ...others.flatMap((other, n) => {
        const same = other.ok
          ? other.value.charts.find((each) => each.name === own.name)?.series[0]
          : undefined;
        return same ? [{ ...same, name: subjects[n + 1]?.name ?? '' }] : [];
      }),
    ],
  };
}
