/** What is done to one kind of device around its new lead; the lead itself is made like any other. */
export interface DeviceWork {
  /** The pads by which it is known, as the catalogue calls them. */
  readonly pads: string;
  readonly open: {
    readonly title: string;
    readonly detail: readonly string[];
    readonly confirm?: readonly string[];
  };
  /** Taking the old lead off; nothing where there was none. */
  readonly off?: { readonly title: string; readonly detail: readonly string[] };
  /** Drilled for it; nothing where the old way in is used. */
  readonly drill?: { readonly title: string; readonly detail: readonly string[] };
  /** The new lead goes in before it is soldered. */
  readonly through: readonly string[];
  readonly close: readonly string[];
  readonly source: string;
}
