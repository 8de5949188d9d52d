/** The problems that a room can report: what each code means, for whoever handles it by code. */
export interface ProblemList {
  readonly title: string;
  readonly codes: Readonly<Record<string, string>>;
}
