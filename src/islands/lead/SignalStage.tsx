import { useMemo, useState } from 'react';
import { spanLengths } from '../../core/assembly';
import {
  CABLE_FACTS,
  FACT_WORDS,
  leadCircuit,
  loadOhms,
  sourceOhms,
  type CableFacts,
} from '../../core/circuit';
import { formatLength, formatResistance, mm, type Result } from '../../core/quantity';
import type { Chart as ChartData, Figure, LeadSignal, Look } from '../../core/signal';
import { derive, SCHOOLS, type Intent, type Lead, type Offer } from '../../core/wiring';
import { Button, Chart, CircuitText, FigureLine, Mark } from '../../ui';
import type { Subject } from '../../workers';
import { useBench } from '../app';
import { Slider } from './Slider';
import styles from './Signal.module.css';
import type { Read } from './useLead';

/** What the lead does to the signal: a verdict, the chart that matters, and what may be turned to see what it hangs on. */
export function SignalStage({ read }: { read: Read }) {
  if (!read.lead)
    return (
      <p>The intent has to be whole before the signal can be followed: go back to it along the cable.</p>
    );
  return <Signal lead={read.lead} offers={read.offers} />;
}

interface Variant {
  readonly id: string;
  readonly name: string;
  readonly lead: Lead;
}

/** What else it could be: the other answers of every school that the wiring hangs on, and the other ways of wiring. */
function variantsOf({ intent, recipe, schools }: Lead, offers: readonly Offer[]): readonly Variant[] {
  const bySchool = SCHOOLS.filter((school) => school.decides === 'wiring' && school.id !== 'colour').flatMap(
    (school) =>
      school.choices
        .filter((answer) => answer.id !== schools[school.id])
        .map((answer) => ({
          id: `${school.id}:${answer.id}`,
          name: `${school.id.replace(/-/g, ' ')}: ${answer.name}`,
          intent: { ...intent, schools: { ...intent.schools, [school.id]: answer.id } },
        })),
  );
  const { wiring: _, choices: __, ...plain } = intent;
  const byRecipe = offers
    .filter((offer) => offer.recipe !== recipe.id && offer.is !== 'wrong' && !offer.lacks)
    .map((offer) => ({ id: offer.recipe, name: offer.name, intent: { ...plain, wiring: offer.recipe } }));
  const own = stripped(derivedOf(intent));
  // What comes to the same wires is nothing to compare.
  return [...bySchool, ...byRecipe].flatMap((each) => {
    const other = derivedOf(each.intent);
    return other && stripped(other) !== own ? [{ ...each, lead: other }] : [];
  });
}

const derivedOf = (intent: Intent): Lead | undefined => {
  const derived = derive(intent);
  return derived.ok ? derived.value : undefined;
};

/** What of a lead makes a difference to a signal: what is joined to what, and the parts. */
const stripped = (lead: Lead | undefined): string =>
  JSON.stringify(
    lead?.assembly.bodies.map((body) => [
      body.parts,
      body.joints.map((joint) => [...joint.terminals].sort()),
    ]),
  );

const MOST_BESIDE = 2;

function Signal({ lead, offers }: { lead: Lead; offers: readonly Offer[] }) {
  const [look, setLook] = useState<Look>({});
  const [turning, setTurning] = useState(false);
  const [first, setFirst] = useState(false);
  const [beside, setBeside] = useState<readonly string[]>([]);
  const [shown, setShown] = useState(0);
  const said = JSON.stringify([lead.intent, offers]);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- what was said stands for the lead and its offers
  const variants = useMemo(() => variantsOf(lead, offers), [said]);
  const chosen = variants.filter((each) => beside.includes(each.id));
  const subjects: readonly Subject[] = [
    { name: 'as it is', assembly: lead.assembly, use: lead.situation },
    ...chosen.map(({ name, lead: other }) => ({ name, assembly: other.assembly, use: other.situation })),
  ];
  // The curve first; the ranges of its figures when that stands.
  const asked: Look = { ...look, ranges: first && !turning && subjects.length === 1 };
  const key = JSON.stringify([lead.intent, chosen.map((each) => each.id), asked]);
  const bench = useBench<readonly Result<LeadSignal>[]>(key, async (remote) => {
    const made = await remote.signals([...subjects], asked);
    setFirst(true);
    return made;
  });
  const [main, ...others] = bench.value ?? [];
  const turn = (change: Partial<Look>): void => setLook({ ...look, ...change });

  return (
    <section aria-label="Signal" className={styles['stage']}>
      <div role="status" className={styles['verdict']}>
        {main?.ok && (
          <p className={styles['says']}>
            <Mark kind={main.value.weight} /> {main.value.says}
          </p>
        )}
        {main && !main.ok && main.problems.map((problem) => <p key={problem.path}>{problem.says}</p>)}
        {bench.failed && <p>{bench.failed}</p>}
        {!main && !bench.failed && !bench.stopped && <p>Following the signal…</p>}
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
      {main?.ok && (
        <div className={styles['beside']} data-stale={!bench.current}>
          <div>
            {main.value.charts.length > 0 && (
              <>
                {main.value.charts.length > 1 && (
                  <div role="group" aria-label="which curve" className={styles['curves']}>
                    {main.value.charts.map((chart, n) => (
                      <button
                        key={chart.name}
                        type="button"
                        className={styles['curve']}
                        aria-pressed={n === shown}
                        onClick={() => setShown(n)}
                      >
                        {chart.name}
                      </button>
                    ))}
                  </div>
                )}
                <Chart
                  chart={together(main.value.charts[shown] ?? main.value.charts[0], others, subjects)}
                  height={236}
                />
              </>
            )}
            <Sliders
              lead={lead}
              look={look}
              loop={main.value.figures.some((each) => each.id.startsWith('hum '))}
              onTurn={turn}
              onTurning={setTurning}
            />
            <Memory facts={look.facts ?? CABLE_FACTS} onChange={(facts) => turn({ facts })} />
            <CircuitText
              title="a lead, plugged in"
              circuit={() =>
                leadCircuit(lead.assembly, lead.situation, {
                  lengths: spanLengths(lead.assembly),
                  supplies: true,
                }).circuit
              }
            />
            {Object.keys(look).length > 0 && <Button onClick={() => setLook({})}>As the lead has it</Button>}
          </div>
          <div>
            {variants.length > 0 && (
              <fieldset className={styles['variants']}>
                <legend>Beside it</legend>
                {variants.map(({ id, name }) => (
                  <label key={id}>
                    <input
                      type="checkbox"
                      checked={beside.includes(id)}
                      disabled={!beside.includes(id) && beside.length >= MOST_BESIDE}
                      onChange={() =>
                        setBeside(
                          beside.includes(id) ? beside.filter((each) => each !== id) : [...beside, id],
                        )
                      }
                    />{' '}
                    {name}
                  </label>
                ))}
              </fieldset>
            )}
            {others.length > 0 && <SideBySide results={[main, ...others]} subjects={subjects} />}
            <Figures figures={main.value.figures} />
            <p className={styles['cut']}>
              {main.value.sections.map(({ span, because }) => `${span}: ${because}`).join(' ')} Skin effect is
              left out.
            </p>
          </div>
        </div>
      )}
    </section>
  );
}

/** The chart of the lead with the same of what it is compared with: one curve each then. */
function together(
  chart: ChartData | undefined,
  others: readonly Result<LeadSignal>[],
  subjects: readonly Subject[],
): ChartData {
  const own = chart ?? {
    name: '',
    x: { name: '', unit: '', scale: 'linear' },
    y: { name: '', unit: '', scale: 'linear' },
    series: [],
  };
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

/** Kinds of figure that are worth a column when leads stand side by side. */
const COLUMNS = [
  ['gain', 'arrives'],
  ['minus3', '−3 dB'],
  ['hum', 'hum under it'],
  ['separation', 'separation'],
  ['dc', 'supply'],
] as const;

function SideBySide({
  results,
  subjects,
}: {
  results: readonly Result<LeadSignal>[];
  subjects: readonly Subject[];
}) {
  const cell = (result: Result<LeadSignal>, kind: string): string =>
    result.ok ? (result.value.figures.find((each) => each.id.startsWith(`${kind} `))?.says ?? '') : '';
  const columns = COLUMNS.filter(([kind]) => results.some((result) => cell(result, kind) !== ''));
  return (
    <table className={styles['table']}>
      <caption>Side by side</caption>
      <thead>
        <tr>
          <th scope="col" />
          {columns.map(([kind, name]) => (
            <th scope="col" key={kind}>
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {results.map((result, n) => (
          <tr key={subjects[n]?.name}>
            <th scope="row">{subjects[n]?.name}</th>
            {columns.map(([kind]) => (
              <td key={kind}>{cell(result, kind)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Figures of one kind for many channels are shown once, the worst, and open to all. */
function Figures({ figures }: { figures: readonly Figure[] }) {
  const kinds = new Map<string, readonly Figure[]>();
  for (const each of figures) {
    const kind = each.id.split(' ')[0] ?? each.id;
    kinds.set(kind, [...(kinds.get(kind) ?? []), each]);
  }
  return (
    <div aria-label="Figures" role="group">
      {[...kinds].map(([kind, all]) => {
        const [worst, ...others] = [...all].sort((a, b) => a.value - b.value);
        if (!worst) return null;
        // Channels that are alike are said once, without their names.
        const alike = others.every((each) => each.says === worst.says);
        const first = alike ? { ...worst, name: worst.name.split(', ')[0] ?? worst.name } : worst;
        const rest = alike ? [] : others;
        return (
          <FigureLine key={kind} figure={first}>
            {rest.map((each) => (
              <FigureLine key={each.id} figure={each} />
            ))}
          </FigureLine>
        );
      })}
    </div>
  );
}

/** Figures of cable that no source gives: each may be known better for the cable at hand. */
function Memory({ facts, onChange }: { facts: CableFacts; onChange: (facts: CableFacts) => void }) {
  const put = (key: keyof CableFacts, text: string): void => {
    const value = Number(text.replace(',', '.'));
    if (!Number.isFinite(value) || value < 0 || text.trim() === '' || value === facts[key].usual) return;
    const { low, high } = CABLE_FACTS[key];
    onChange({ ...facts, [key]: { low: Math.min(low, value), usual: value, high: Math.max(high, value) } });
  };
  return (
    <details className={styles['memory']}>
      <summary>Known from memory only</summary>
      <table className={styles['table']}>
        <tbody>
          {(Object.keys(facts) as (keyof CableFacts)[]).map((key) => (
            <tr key={key}>
              <th scope="row">{FACT_WORDS[key].name}</th>
              <td>
                <input
                  key={facts[key].usual}
                  aria-label={FACT_WORDS[key].name}
                  inputMode="decimal"
                  defaultValue={facts[key].usual}
                  onBlur={(event) => put(key, event.target.value)}
                />{' '}
                {FACT_WORDS[key].unit}
              </td>
              <td>
                {facts[key].low} to {facts[key].high}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

/** What is turned while the chart is watched: length, impedances, the difference of grounds, a control. */
function Sliders({
  lead,
  look,
  loop,
  onTurn,
  onTurning,
}: {
  lead: Lead;
  look: Look;
  /** Whether both ends stand on earth, so that a difference between them is heard. */
  loop: boolean;
  onTurn: (change: Partial<Look>) => void;
  onTurning: (turning: boolean) => void;
}) {
  const { assembly, situation } = lead;
  const [link] = situation.links;
  const [from, to] = [situation.channels[link?.out ?? -1], situation.channels[link?.in ?? -1]];
  const asked = assembly.lengths[0]?.mm ?? 0;
  const longest = spanLengths(assembly).size > 0 ? asked : 0;
  const times = look.lengthTimes ?? 1;
  const hasControl = assembly.bodies.some((body) => body.parts.some((part) => part.kind === 'potentiometer'));
  const slider = { onTurning };
  return (
    <div className={styles['sliders']}>
      {longest > 0 && (
        <Slider
          {...slider}
          name="length"
          value={(longest * times) / 1000}
          from={0.2}
          to={Math.max(200, (2 * longest) / 1000)}
          says={formatLength(mm(longest * times))}
          onChange={(metres) => onTurn({ lengthTimes: (1000 * metres) / longest })}
        />
      )}
      {from && (
        <Slider
          {...slider}
          name="source"
          value={look.sourceOhms ?? sourceOhms(from)}
          from={from.port.signal === 'loudspeaker' ? 0.01 : 1}
          to={1e6}
          says={formatResistance(look.sourceOhms ?? sourceOhms(from))}
          onChange={(ohms) => onTurn({ sourceOhms: ohms })}
        />
      )}
      {to && (
        <Slider
          {...slider}
          name="load"
          value={look.loadOhms ?? loadOhms(to)}
          from={to.port.signal === 'loudspeaker' ? 2 : 16}
          to={1e7}
          says={formatResistance(look.loadOhms ?? loadOhms(to))}
          onChange={(ohms) => onTurn({ loadOhms: ohms })}
        />
      )}
      {loop && (
        <Slider
          {...slider}
          name="ground difference"
          value={1000 * (look.groundVolts ?? 0.01)}
          from={0.1}
          to={3000}
          says={`${Number((1000 * (look.groundVolts ?? 0.01)).toPrecision(2))} mV`}
          onChange={(millivolts) => onTurn({ groundVolts: millivolts / 1000 })}
        />
      )}
      {longest > 0 && (
        <Slider
          {...slider}
          name="temperature"
          linear
          value={look.celsius ?? 20}
          from={-20}
          to={80}
          says={`${Math.round(look.celsius ?? 20)} °C`}
          onChange={(celsius) => onTurn({ celsius })}
        />
      )}
      {hasControl && (
        <Slider
          {...slider}
          name="turn"
          linear
          value={100 * (look.turn ?? 0.5)}
          from={1}
          to={100}
          says={`${Math.round(100 * (look.turn ?? 0.5))} %`}
          onChange={(percent) => onTurn({ turn: percent / 100 })}
        />
      )}
    </div>
  );
}
