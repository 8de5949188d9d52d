import { startTransition, useEffect, useRef, useState, type RefObject } from 'react';
import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  Tooltip,
  XAxis,
  YAxis,
  type LabelProps,
  type XAxisTickContentProps,
} from 'recharts';
import type { Chart as ChartData } from '../core/signal';
import styles from './Chart.module.css';
import { useTurns } from './turns';
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

/** So much room a figure under the axis takes, and what stands beside it, px. */
const TICK_PX = 46;
const UP_PX = 52;
const RIGHT_PX = 14;

/** Every decade with its two and its five, or the decades alone where there is no room for more than `most`. */
const logTicks = (from: number, to: number, most: number): readonly number[] => {
  const ticks: number[] = [];
  for (let decade = Math.floor(Math.log10(from)); decade <= Math.ceil(Math.log10(to)); decade++)
    for (const digit of [1, 2, 5]) {
      const tick = digit * 10 ** decade;
      if (tick >= from * 0.999 && tick <= to * 1.001) ticks.push(tick);
    }
  return ticks.length > most ? ticks.filter((tick) => /^1/.test(tick.toExponential())) : ticks;
};

/** A round step for about so many lines. */
const step = (span: number, lines: number): number => {
  const rough = span / lines;
  const decade = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((each) => each * decade >= rough) ?? 10) * decade;
};

/** Round values between two ends, about so many. */
const evenTicks = (from: number, to: number, count: number): readonly number[] => {
  const by = step(to - from, count);
  const first = Math.ceil(from / by - 1e-9);
  return Array.from({ length: Math.floor(to / by + 1e-9) - first + 1 }, (_, n) => (first + n) * by);
};

/**
 * In what order a chart is put together: all at once holds the page up where its library is still cold. It is seen once the
 * curves are there.
 */
const PARTS = ['across', 'up', 'grid', 'mark', 'curves', 'pointer'] as const;

/** How wide a place is, px; undefined before it is on the page. */
function useWidth(place: RefObject<HTMLElement | null>): number | undefined {
  const [width, setWidth] = useState<number>();
  useEffect(() => {
    // In pieces, as all of a chart: its library’s own way of fitting its place draws it in one.
    const seen = new ResizeObserver(([is]) =>
      startTransition(() => setWidth(is && is.contentRect.width > 0 ? is.contentRect.width : undefined)),
    );
    if (place.current) seen.observe(place.current);
    return () => seen.disconnect();
  }, [place]);
  return width;
}

/** A figure at an axis: the library would look for where to break it, and measure it again and again. */
const figure =
  (anchor: 'middle' | 'end', down: number) =>
  ({ x, y, payload }: Pick<XAxisTickContentProps, 'x' | 'y' | 'payload'>) => (
    <text x={x} y={Number(y) + down} textAnchor={anchor} fontSize={14} fill="var(--ink)">
      {tidy(Number(payload.value))}
    </text>
  );
const [across, up] = [figure('middle', 12), figure('end', 5)];

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
  const place = useRef<HTMLDivElement>(null);
  const width = useWidth(place);
  const turns = useTurns(width === undefined ? 0 : PARTS.length);
  const has = (part: (typeof PARTS)[number]): boolean => PARTS.indexOf(part) < turns;
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
  const most = Math.max(2, Math.min(12, Math.floor(((width ?? 0) - UP_PX - RIGHT_PX) / TICK_PX)));
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
      <div ref={place} aria-hidden="true" style={{ height }} data-drawn={has('curves')}>
        {width !== undefined && (
          <LineChart
            width={width}
            height={height}
            accessibilityLayer={false}
            margin={{ top: 6, right: RIGHT_PX, bottom: 2, left: 0 }}
          >
            {has('grid') && <CartesianGrid stroke="var(--line)" strokeWidth={0.7} />}
            {has('across') && (
              <XAxis
                type="number"
                dataKey="x"
                scale={scale}
                domain={[xFrom, xTo]}
                ticks={
                  scale === 'log' ? logTicks(xFrom, xTo, most) : evenTicks(xFrom, xTo, Math.min(6, most))
                }
                niceTicks="none"
                stroke="var(--ink)"
                tick={across}
                interval={0}
                allowDataOverflow
              />
            )}
            {has('up') && (
              <YAxis
                type="number"
                dataKey="y"
                domain={[yFrom, yTo]}
                ticks={yTicks}
                niceTicks="none"
                stroke="var(--ink)"
                tick={up}
                width={UP_PX}
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
            {has('mark') && chart.mark && (
              <ReferenceLine
                y={chart.mark.y}
                stroke="var(--ink-soft)"
                strokeDasharray="3 3"
                label={({ viewBox }: LabelProps) =>
                  viewBox && 'x' in viewBox ? (
                    <text x={viewBox.x + 5} y={viewBox.y - 5} fontSize={14} fill="var(--ink-soft)">
                      {chart.mark?.says}
                    </text>
                  ) : null
                }
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
        )}
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
