import { createElement, useState, type ComponentType } from 'react';
import { Turn } from './Turn';
import { useLater } from './useLater';

/**
 * A part of the page that is drawn on the server at once and in the browser by a script that comes after the page has been taken
 * over: until then what the server drew stands there. Where nothing was drawn, the page having been come to along the lead,
 * its script is fetched without waiting.
 */
export function Later<Props extends object>({
  name,
  load,
  onServer,
  with: props,
}: {
  /** What it is told apart by on the page. */
  readonly name: string;
  /** The same at every call. */
  readonly load: () => Promise<ComponentType<Props>>;
  /** What the server draws it with; undefined in the browser. */
  readonly onServer: ComponentType<Props> | undefined;
  readonly with: Props;
}) {
  const [stood] = useState(() =>
    typeof document === 'undefined' ? undefined : document.getElementById(name)?.innerHTML,
  );
  const Loaded = useLater(load, true, stood ? undefined : 0) ?? onServer;
  const isTaken = typeof document !== 'undefined';
  if (!Loaded || !isTaken)
    return (
      // What the server drew, as it stands in the page: it is looked at, and not touched yet.
      <div
        key="stood"
        id={name}
        inert
        suppressHydrationWarning
        {...(Loaded
          ? { children: createElement(Loaded, props) }
          : { dangerouslySetInnerHTML: { __html: stood ?? '' } })}
      />
    );
  return (
    <div key="live" id={name}>
      {/* What stood there goes on standing; what is new has its turn. */}
      {stood ? createElement(Loaded, props) : <Turn>{createElement(Loaded, props)}</Turn>}
    </div>
  );
}
