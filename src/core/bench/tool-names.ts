/** To lay hands on each tool and set it, s (from memory). */
export const SET_UP_SECONDS = {
  'cutters and tape': 30,
  'jacket tool': 15,
  stripper: 15,
  'flush cutters': 5,
  crimper: 15,
  iron: 60,
  screwdriver: 10,
  spanner: 10,
  'heat gun': 20,
  loupe: 5,
  meter: 20,
  drill: 60,
  labels: 15,
} as const;
export type ToolName = keyof typeof SET_UP_SECONDS;
export const TOOL_NAMES = Object.keys(SET_UP_SECONDS) as readonly ToolName[];

/** What is wrong with the seconds that laying hands on a tool took; undefined where nothing is. */
export function secondsProblem(seconds: number): string | undefined {
  if (Number.isNaN(seconds)) return 'Give the seconds as a number.';
  if (seconds < 1) return 'It takes 1 s or more to lay hands on a tool.';
  return seconds > 3600 ? 'More than an hour is no setting up.' : undefined;
}
