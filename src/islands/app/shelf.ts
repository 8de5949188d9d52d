import { createElement, type ComponentType, type ReactNode } from 'react';

/** Components that are fetched when they are first wanted. */
export interface Shelf<Props> {
  /** One that is here already; nothing where it has to be fetched. */
  readonly get: (name: string) => ComponentType<Props> | undefined;
  /** What one of them draws; nothing where it has to be fetched. */
  readonly draw: (name: string, props: Props, key?: string) => ReactNode;
  readonly put: (name: string, component: ComponentType<Props>) => void;
  /** Resolves when it is here; rejects where it could not be fetched. */
  readonly load: (name: string) => Promise<unknown>;
}

/** A shelf with how each component is fetched. What came with the page is put on it, and never fetched. */
export function shelf<Props>(
  loads: Readonly<Record<string, () => Promise<ComponentType<Props>>>>,
): Shelf<Props> {
  const here = new Map<string, ComponentType<Props>>();
  return {
    get: (name) => here.get(name),
    draw(name, props, key) {
      const component = here.get(name);
      return component && createElement(component as ComponentType<object>, { ...props, key });
    },
    put: (name, component) => void here.set(name, component),
    load: async (name) => {
      const load = loads[name];
      if (!here.has(name) && load) here.set(name, await load());
    },
  };
}
