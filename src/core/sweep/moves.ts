import { sayFaults } from './looks';
import type { Lines, PatchList } from './document';
import { mayStand } from './cost';
import type { InputList, VenueLine } from './inputs';
import type { LineStand } from './stand';

/** Where an input goes, and why it does not stay where it is printed. */
export interface Move {
  readonly id: string;
  readonly name: string;
  /** The printed way; none where none is. */
  readonly from?: number;
  /** Where it goes; none where there is no way for it. */
  readonly to?: number;
  /** Why; nothing where it stays. */
  readonly because: string;
}

interface Known {
  readonly lines: Lines;
  readonly list: InputList;
  readonly patch: PatchList;
  readonly stands: readonly LineStand[];
}

/** Why an input cannot stay on the way that is printed for it; nothing where it could. */
function against(way: number, n: number, { lines, stands }: Known): string | undefined {
  const line = lines.lines.find((each) => each.way === way);
  const input = lines.inputs[n];
  const stand = stands.find((each) => each.way === way);
  if (!line || !input) return `there is no way ${way} here`;
  if (line.state === 'bad') {
    const look = stand?.look;
    if (!look) return `way ${way} was bad when it was last looked at`;
    const what = sayFaults(look.mayBe);
    return `way ${way} is struck: ${look.says}${look.mayBe.length > 0 && look.mayBe.length < 4 ? ` (${what})` : ''}`;
  }
  if (!mayStand(input, line)) return `the phantom of way ${way} cannot be switched off and would harm it`;
  if (line.state === 'unknown') return `way ${way} is not proven`;
  return undefined;
}

/** Why an input that could stay goes elsewhere all the same: for another, or to stand beside its pair. */
function madeRoom(n: number, { list, patch }: Known): string {
  const input = list.inputs[n];
  const other =
    input?.pair === undefined
      ? undefined
      : list.inputs.find((each, m) => m !== n && each.pair === input.pair);
  const otherTo = patch.inputs.find(({ id }) => id === other?.id);
  const to = patch.inputs.find(({ id }) => id === input?.id)?.way;
  if (other && otherTo?.moved === true && to !== undefined && Math.abs(otherTo.way - to) === 1)
    return `to stand beside ${other.name}, which moves`;
  const taker = patch.inputs.find(({ way }) => way === input?.way);
  const name = list.inputs.find(({ id }) => id === taker?.id)?.name;
  return name === undefined ? 'so that all together cost least' : `to make room for ${name}`;
}

function becauseOf(n: number, known: Known): string {
  const { list, patch, lines } = known;
  const input = list.inputs[n];
  if (!input) return '';
  const placed = patch.inputs.find(({ id }) => id === input.id);
  if (!placed) {
    const open = lines.lines.filter((line) => lines.inputs[n] && mayStand(lines.inputs[n], line));
    if (open.length === 0) return 'there is no line left that it may stand on';
    const why = input.way === undefined ? undefined : against(input.way, n, known);
    return `${why === undefined ? '' : `${why}, and `}every line that it may stand on is wanted more by others`;
  }
  if (input.way === undefined) return 'no way was printed for it';
  if (!placed.moved) return '';
  return against(input.way, n, known) ?? madeRoom(n, known);
}

/** Where every input goes, by the way it gets, and why; those without one last. */
export function movesOf(known: Known): readonly Move[] {
  const { list, patch } = known;
  const moves = list.inputs.map((input, n): Move => {
    const placed = patch.inputs.find(({ id }) => id === input.id);
    return {
      id: input.id,
      name: input.name,
      ...(input.way === undefined ? {} : { from: input.way }),
      ...(placed ? { to: placed.way } : {}),
      because: becauseOf(n, known),
    };
  });
  return moves.sort((a, b) => (a.to ?? Infinity) - (b.to ?? Infinity) || 0);
}

/** One way of the list as it is printed: what stands there now, or why nothing may. */
export interface PatchRow {
  readonly way: number;
  readonly line?: string;
  readonly state: Lines['lines'][number]['state'];
  readonly input?: string;
  /** Where it was printed, where that is elsewhere. */
  readonly from?: number;
  readonly phantom?: 'on' | 'harmed' | 'stays on';
  /** What to mind, in a line: why it is struck; else where its input was printed, whether it is proven, what phantom does there. */
  readonly note: string;
}

/** The patch list in stage order: every way, by its number. */
export function patchRows(
  venue: readonly VenueLine[],
  known: Known,
  wants: (input: InputList['inputs'][number]) => 'needs' | 'unhurt' | 'harmed',
): readonly PatchRow[] {
  const { list, patch, stands } = known;
  return [...venue]
    .sort((a, b) => a.way - b.way)
    .map((line): PatchRow => {
      const stand = stands.find(({ way }) => way === line.way);
      const placed = patch.inputs.find(({ way }) => way === line.way);
      const input = list.inputs.find(({ id }) => id === placed?.id);
      const phantom = input && wants(input);
      const isStuck = line.phantom === true;
      return {
        way: line.way,
        ...(line.name === undefined || line.name === '' ? {} : { line: line.name }),
        state: stand?.state ?? 'unknown',
        ...(input ? { input: input.name } : {}),
        ...(placed?.moved === true && input?.way !== undefined ? { from: input.way } : {}),
        ...(isStuck
          ? { phantom: 'stays on' as const }
          : phantom === 'needs'
            ? { phantom: 'on' as const }
            : phantom === 'harmed'
              ? { phantom: 'harmed' as const }
              : {}),
        note:
          stand?.state === 'bad'
            ? (stand.look?.says ?? 'bad when it was last looked at')
            : [
                ...(placed?.moved === true && input?.way !== undefined ? [`from ${input.way}`] : []),
                ...(input && stand?.state !== 'good' ? ['not proven'] : []),
                ...(isStuck
                  ? ['phantom stays on']
                  : phantom === 'needs'
                    ? ['phantom on']
                    : phantom === 'harmed'
                      ? ['no phantom: harms it']
                      : []),
              ].join(', '),
      };
    });
}
