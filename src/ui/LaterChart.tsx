import { lazy, Suspense, type ComponentProps } from 'react';
import type { Chart } from './Chart';

/** The library that draws it is large: it is fetched where there is something to draw. */
const Drawn = lazy(async () => ({ default: (await import('./Chart')).Chart }));

/** Curves over one axis. Its place is kept until it is drawn. */
export const LaterChart = (props: ComponentProps<typeof Chart>) => (
  <Suspense fallback={<svg height={(props.height ?? 300) + 90} aria-hidden="true" />}>
    <Drawn {...props} />
  </Suspense>
);
