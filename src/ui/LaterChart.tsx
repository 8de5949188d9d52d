import { lazy, memo, Suspense, useDeferredValue, type ComponentProps } from 'react';
import type { Chart } from './Chart';
import { patiently } from './useLater';

/** The library that draws it is large: it is fetched where there is something to draw. */
const load = async () => ({ default: memo((await import('./Chart')).Chart) });
const Drawn = lazy(() => patiently(load));

/**
 * Curves over one axis. Its place is kept until it is drawn; and it is drawn anew when the hand leaves time for it: a slider
 * that is dragged goes before its curve.
 */
export function LaterChart(props: ComponentProps<typeof Chart>) {
  const chart = useDeferredValue(props.chart);
  return (
    <Suspense fallback={<svg height={(props.height ?? 300) + 90} aria-hidden="true" />}>
      <Drawn {...props} chart={chart} />
    </Suspense>
  );
}
