/** A complex value at each frequency of a sweep. */
export interface Trace {
  readonly re: Float64Array;
  readonly im: Float64Array;
}
