import { lazy, memo, Suspense, useDeferredValue, type ComponentProps } from 'react';
import type { Chart } from './Chart';
import { patiently } from './useLater';

/** The library that draws it is large: it is fetched where there is something to draw. */
const load = async () => ({ default: memo((await import('./Chart')).Chart) });
const Drawn = lazy(() => patiently(load));

/**
 * Curves over one axis. Its place is kept until it is drawn; and it is drawn anew when the hand leaves time for it: a slider
 * that is dragged goes before its curve, and what stands around it before both.
 */
export function LaterChart(props: ComponentProps<typeof Chart>) {
  // With nothing at first: the rest of its page is on the screen before it.
  const chart = useDeferredValue<ComponentProps<typeof Chart>['chart'] | null>(props.chart, null);
  const place = <svg height={(props.height ?? 300) + 90} aria-hidden="true" />;
  return <Suspense fallback={place}>{chart ? <Drawn {...props} chart={chart} /> : place}</Suspense>;
}
