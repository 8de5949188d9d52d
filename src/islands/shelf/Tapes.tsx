import { Check } from 'lucide-react';
import {
  pieceOfStock,
  sayAmount,
  SORT_NAMES,
  soundStretches,
  stretchOf,
  type CutPiece,
  type CutPlan,
  type CutRules,
  type ShelfPiece,
} from '../../core/stock';
import { capital } from '../../core/quantity';
import { Button, Unseen } from '../../ui';
import styles from './Shelf.module.css';

/** How wide the longest tape is drawn, and how high each, in the units of its picture. */
const [WIDE, HIGH] = [1000, 34];
/** A name takes so much a letter: where there is no room it stands in the list alone. */
const LETTER = 11;

interface Props {
  readonly plan: CutPlan;
  /** Pieces that are cut already. */
  readonly cut: readonly string[];
  readonly pieces: readonly ShelfPiece[];
  readonly rules: CutRules;
  readonly nameOf: (cut: string) => { readonly name: string; readonly mm: number };
  readonly onTick?: ((piece: CutPiece) => void) | undefined;
  /** It was cut otherwise, or something was found. */
  readonly onOtherwise?: ((piece: CutPiece) => void) | undefined;
}

/** Runs of one and the same cut. */
function runs(cuts: readonly string[]): readonly { readonly id: string; readonly count: number }[] {
  const found: { id: string; count: number }[] = [];
  for (const id of cuts) {
    const last = found.at(-1);
    if (last?.id === id) last.count++;
    else found.push({ id, count: 1 });
  }
  return found;
}

/** A plan as tapes to scale, each with its list in cutting order and the tick for whoever cuts. */
export function Tapes({ plan, cut, pieces, rules, nameOf, onTick, onOtherwise }: Props) {
  const pieceOf = ({ stock }: CutPiece): ShelfPiece | undefined =>
    pieces.find(({ id }) => id === pieceOfStock(stock));
  /** What lies before it and comes off first. */
  const firstOf = (piece: CutPiece): number =>
    cut.includes(piece.stock) ? 0 : firstMmOf(pieceOf(piece), piece.stock);
  const lengthOf = (piece: CutPiece): number =>
    firstOf(piece) + piece.restMm + piece.cuts.reduce((sum, id) => sum + nameOf(id).mm, 0);
  const longest = Math.max(1, ...plan.pieces.map(lengthOf));
  return (
    <ol className={styles['tapes']} aria-label="What to cut from what">
      {plan.pieces.map((piece, n) => {
        const on = pieceOf(piece);
        const isCut = cut.includes(piece.stock);
        const says = runs(piece.cuts).map(
          ({ id, count }) => `${count} × ${(nameOf(id).mm / 1000).toFixed(3)} m ${nameOf(id).name}`,
        );
        return (
          <li key={piece.stock} data-cut={isCut || undefined}>
            <div className={styles['tapeHead']}>
              <b>
                {n + 1}.{' '}
                {on ? `${capital(SORT_NAMES[on.sort])}${on.place === '' ? '' : `, ${on.place}`}` : 'A piece'}
              </b>
              <span className={styles['soft']}>
                {on && !isCut ? `${sayAmount(on, on.left)} long; ` : ''}
                {on && !isCut ? sayFirst(on, piece.stock, rules) : ''}
                {(piece.restMm / 1000).toFixed(2)} m left after it
                {on && !isCut && (stretchOf(on, piece.stock)?.toMm ?? on.left) < on.left
                  ? ', to the next bad stretch'
                  : ''}
              </span>
              {isCut ? (
                <span className={styles['did']}>
                  <Check size={18} aria-hidden="true" /> cut
                </span>
              ) : (
                onTick && (
                  <span className={styles['row']}>
                    {onOtherwise && (
                      <Button look="plain" onClick={() => onOtherwise(piece)}>
                        not so
                        <Unseen>: piece {n + 1} was cut otherwise, or is bad</Unseen>
                      </Button>
                    )}
                    <button type="button" className={styles['tick']} onClick={() => onTick(piece)}>
                      It is cut
                    </button>
                  </span>
                )
              )}
            </div>
            <Tape piece={piece} firstMm={firstOf(piece)} scale={WIDE / longest} nameOf={nameOf} />
            <p>{says.join('; ')}</p>
          </li>
        );
      })}
    </ol>
  );
}

/** How much of a piece comes off before its first cut, mm. */
const firstMmOf = (piece: ShelfPiece | undefined, stock: string): number =>
  (piece && stretchOf(piece, stock)?.fromMm) ?? 0;

/** What comes off before the first cut, where the piece is not sound from its end: “first take off 4.50 m, bad or before it”. */
function sayFirst(piece: ShelfPiece, stock: string, { leastOffcutMm }: CutRules): string {
  const stretch = stretchOf(piece, stock);
  if (!stretch || stretch.fromMm === 0) return '';
  const keeps = soundStretches(piece).filter(
    ({ fromMm, toMm }) => toMm <= stretch.fromMm && toMm - fromMm >= leastOffcutMm,
  );
  const kept = keeps.map(({ fromMm, toMm }) => sayAmount(piece, toMm - fromMm)).join(' and ');
  return `first take off ${sayAmount(piece, stretch.fromMm)}, the bad stretch with it${kept === '' ? '' : `, and keep ${kept} of that`}; `;
}

function Tape({
  piece,
  firstMm,
  scale,
  nameOf,
}: {
  readonly piece: CutPiece;
  readonly firstMm: number;
  readonly scale: number;
  readonly nameOf: Props['nameOf'];
}) {
  const starts: number[] = [];
  let at = firstMm * scale;
  for (const id of piece.cuts) {
    starts.push(at);
    at += nameOf(id).mm * scale;
  }
  const rest = piece.restMm * scale;
  return (
    <svg viewBox={`-1 0 ${WIDE + 2} ${HIGH}`} className={styles['tape']} aria-hidden="true">
      {firstMm > 0 && (
        <rect x={0} y={8} width={firstMm * scale} height={HIGH - 16} className={styles['off']} />
      )}
      {piece.cuts.map((id, n) => {
        const { name, mm } = nameOf(id);
        const wide = mm * scale;
        const letters = Math.floor((wide - 12) / LETTER);
        return (
          <g key={n}>
            <rect x={starts[n]} y={2} width={wide} height={HIGH - 4} className={styles['piece']} />
            {letters >= 4 && (
              <text x={(starts[n] ?? 0) + 7} y={HIGH / 2 + 6} className={styles['on']}>
                {name.length > letters ? `${name.slice(0, letters - 1)}…` : name}
              </text>
            )}
          </g>
        );
      })}
      {rest > 0 && <rect x={at} y={8} width={rest} height={HIGH - 16} className={styles['rest']} />}
    </svg>
  );
}
