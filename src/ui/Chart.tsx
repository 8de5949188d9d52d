import { startTransition, useEffect, useState } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import type { Chart as ChartData } from '../core/signal';
import styles from './Chart.module.css';
import { Unseen } from './Unseen';

/** Told apart without colour: each line has dashes of its own. */
const DASHES = ['', '9 4', '2 4', '12 3 2 3', '5 3', '1 6'];
const INKS = [
  'var(--copper)',
  'var(--ink)',
  'var(--ink-soft)',
  'var(--ink)',
  'var(--copper-ink)',
  'var(--ink-soft)',
];

const tidy = (value: number): string => {
  const size = Math.abs(value);
  const text = size >= 1000 ? `${Number((size / 1000).toPrecision(3))}k` : `${Number(size.toPrecision(3))}`;
  return value < 0 && Number(text.replace('k', '')) !== 0 ? `−${text}` : text;
};

/** Every decade with its two and its five, as far as there is room. */
const logTicks = (from: number, to: number): readonly number[] => {
  const ticks: number[] = [];
  for (let decade = Math.floor(Math.log10(from)); decade <= Math.ceil(Math.log10(to)); decade++)
    for (const digit of [1, 2, 5]) {
      const tick = digit * 10 ** decade;
      if (tick >= from * 0.999 && tick <= to * 1.001) ticks.push(tick);
    }
  return ticks.length > 12 ? ticks.filter((tick) => /^1/.test(tick.toExponential())) : ticks;
};

/** A round step for about so many lines. */
const step = (span: number, lines: number): number => {
  const rough = span / lines;
  const decade = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((each) => each * decade >= rough) ?? 10) * decade;
};

/** Round values between two ends. */
const evenTicks = (from: number, to: number): readonly number[] => {
  const by = step(to - from, 6);
  const first = Math.ceil(from / by - 1e-9);
  return Array.from({ length: Math.floor(to / by + 1e-9) - first + 1 }, (_, n) => (first + n) * by);
};

/** In what order a chart is put together. */
const PARTS = ['across', 'up', 'grid', 'curves', 'pointer'] as const;

/**
 * Which parts of a chart are there: each in a task of its own, since all at once hold the page up where its library is still
 * cold; it is seen once the curves are there.
 */
function useParts(): (part: (typeof PARTS)[number]) => boolean {
  const [last, setLast] = useState(0);
  useEffect(() => {
    if (last === PARTS.length - 1) return;
    const timer = setTimeout(() => startTransition(() => setLast(last + 1)));
    return () => clearTimeout(timer);
  }, [last]);
  return (part) => PARTS.indexOf(part) <= last;
}

/** Curves over one axis, with their table behind: nothing is in the drawing alone. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function Chart({
  chart,
  height = 300,
  named = true,
}: {
  readonly chart: ChartData;
  readonly height?: number;
  /** Whether its name is said above it: not where it has been picked by that name. */
  readonly named?: boolean;
}) {
  const [linear, setLinear] = useState(false);
  const has = useParts();
  const scale = linear ? 'linear' : chart.x.scale;
  const all = chart.series.flatMap((each) => each.points);
  const xs = all.map(([x]) => x);
  const ys = [...all.map(([, y]) => y), ...(chart.mark ? [chart.mark.y] : [])];
  const [xFrom, xTo] = [Math.min(...xs), Math.max(...xs)];
  const [low, high] = [Math.min(...ys), Math.max(...ys)];
  // Never finer than a few dB: a flat line is to look flat, and to lie in the middle.
  const room = Math.max((high - low) * 0.06, (6 - (high - low)) / 2);
  const by = step(high - low + 2 * room, 6);
  const yTo = Math.ceil((high + room) / by) * by;
  const yFrom = Math.floor((low - room) / by) * by;
  const yTicks = Array.from({ length: Math.round((yTo - yFrom) / by) + 1 }, (_, n) => yFrom + n * by);
  return (
    <figure className={styles['chart']}>
      <figcaption>
        {named ? <b>{chart.name} </b> : <Unseen>{chart.name}: </Unseen>}
        <span className={styles['axes']}>
          {chart.y.name}, {chart.y.unit}, against {chart.x.name}, {chart.x.unit}
        </span>
        {chart.x.scale === 'log' && (
          <button type="button" className={styles['scale']} onClick={() => setLinear(!linear)}>
            {chart.x.name} {linear ? 'linear' : 'logarithmic'}
          </button>
        )}
      </figcaption>
      <div aria-hidden="true" style={{ height }} data-drawn={has('curves')}>
        <ResponsiveContainer width="100%" height="100%">
          <LineChart accessibilityLayer={false} margin={{ top: 6, right: 14, bottom: 2, left: 0 }}>
            {has('grid') && <CartesianGrid stroke="var(--line)" strokeWidth={0.7} />}
            <XAxis
              type="number"
              dataKey="x"
              scale={scale}
              domain={[xFrom, xTo]}
              ticks={scale === 'log' ? logTicks(xFrom, xTo) : evenTicks(xFrom, xTo)}
              tickFormatter={tidy}
              stroke="var(--ink)"
              tick={{ fill: 'var(--ink)', fontSize: 14 }}
              allowDataOverflow
            />
            {has('up') && (
              <YAxis
                type="number"
                dataKey="y"
                domain={[yFrom, yTo]}
                ticks={yTicks}
                tickFormatter={tidy}
                stroke="var(--ink)"
                tick={{ fill: 'var(--ink)', fontSize: 14 }}
                width={52}
                interval={0}
              />
            )}
            {has('pointer') && (
              <Tooltip
                isAnimationActive={false}
                contentStyle={{
                  background: 'var(--paper-raised)',
                  border: '2px solid var(--ink)',
                  color: 'var(--ink)',
                }}
                labelFormatter={(x) => `${tidy(Number(x))} ${chart.x.unit}`}
                formatter={(y) => `${Number(y).toFixed(1)} ${chart.y.unit}`.replace('-', '−')}
              />
            )}
            {has('curves') && chart.mark && (
              <ReferenceLine
                y={chart.mark.y}
                stroke="var(--ink-soft)"
                strokeDasharray="3 3"
                label={{
                  value: chart.mark.says,
                  position: 'insideBottomLeft',
                  fill: 'var(--ink-soft)',
                  fontSize: 14,
                }}
              />
            )}
            {has('curves') &&
              chart.series.map((series, n) => (
                <Line
                  key={series.name}
                  name={series.name}
                  data={series.points.map(([x, y]) => ({ x, y }))}
                  dataKey="y"
                  stroke={INKS[n % INKS.length] ?? 'var(--ink)'}
                  strokeWidth={n === 0 ? 3 : 2}
                  strokeDasharray={DASHES[n % DASHES.length] ?? ''}
                  dot={false}
                  isAnimationActive={false}
                />
              ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
      {chart.series.length > 1 && (
        <ul className={styles['names']}>
          {chart.series.map(({ name }, n) => (
            <li key={name}>
              <svg width="46" height="10" aria-hidden="true">
                <line
                  x1="1"
                  x2="45"
                  y1="5"
                  y2="5"
                  stroke={INKS[n % INKS.length]}
                  strokeWidth={n === 0 ? 3 : 2}
                  strokeDasharray={DASHES[n % DASHES.length]}
                />
              </svg>{' '}
              {name}
            </li>
          ))}
        </ul>
      )}
      <details>
        <summary>The same as a table</summary>
        <Table chart={chart} />
      </details>
    </figure>
  );
}

/** A dozen points along the curves. */
function Table({ chart }: { readonly chart: ChartData }) {
  const [first] = chart.series;
  const count = first?.points.length ?? 0;
  const rows = [...new Set(Array.from({ length: 13 }, (_, n) => Math.round((n * (count - 1)) / 12)))];
  return (
    <table className={styles['table']}>
      <thead>
        <tr>
          <th scope="col">
            {chart.x.name}, {chart.x.unit}
          </th>
          {chart.series.map(({ name }) => (
            <th scope="col" key={name}>
              {name}, {chart.y.unit}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row}>
            <td>{tidy(first?.points[row]?.[0] ?? 0)}</td>
            {chart.series.map(({ name, points }) => (
              <td key={name}>{(points[row]?.[1] ?? 0).toFixed(2).replace('-', '−')}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
