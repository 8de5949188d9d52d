import { contactTerminal } from '../core/assembly';
import type { Turned } from '../core/catalogue';
import { profileLength } from '../core/drawing';
import styles from './PeeledEnds.module.css';

/**
 * A plug whose contacts lie behind each other, from the side, tip to the left unless flipped, with the beginning of its handle.
 * Contacts that the meter's leads touch are filled: red, or black and marked so.
 */
export function SideFace({
  end,
  face,
  x,
  y,
  width,
  flip = false,
  red,
  black,
}: {
  end: string;
  face: readonly Turned[];
  x: number;
  y: number;
  width: number;
  /** Tip to the right. */
  flip?: boolean;
  red?: ReadonlySet<string> | undefined;
  black?: ReadonlySet<string> | undefined;
}) {
  const length = profileLength(face);
  const scale = (width - 3) / length;
  const starts = face.map((_, n) => profileLength(face.slice(0, n)));
  const contacts = [...new Set(face.flatMap((piece) => piece.contact ?? []))];
  const left = x - width / 2;
  /** Across the picture, from a distance behind the tip. */
  const across = (behind: number): number => (flip ? left + width - behind * scale : left + behind * scale);
  const look = (contact: string | undefined): string => {
    if (contact === undefined) return styles['sideInsulator'] ?? '';
    const terminal = contactTerminal(end, contact);
    return (red?.has(terminal) ? styles['sideRed'] : black?.has(terminal) ? styles['sideBlack'] : '') ?? '';
  };
  return (
    <g>
      <rect
        x={flip ? across(length) - 3 : across(length)}
        y={y - 6}
        width={3}
        height={12}
        rx={0.5}
        className={`${styles['sidePiece']} ${styles['sideHandle']}`}
      />
      {face.map((piece, n) => {
        const at = across(starts[n] ?? 0);
        const to = across((starts[n] ?? 0) + piece.length);
        const [a, b] = [(piece.from * scale) / 1.5, (piece.to * scale) / 1.5];
        return (
          <polygon
            key={at}
            points={`${at},${y - a} ${to},${y - b} ${to},${y + b} ${at},${y + a}`}
            className={`${styles['sidePiece']} ${look(piece.contact)}`}
          />
        );
      })}
      {contacts.map((contact) => {
        const pieces = face.flatMap((piece, n) =>
          piece.contact === contact ? [(starts[n] ?? 0) + piece.length / 2] : [],
        );
        const middle = pieces.reduce((sum, each) => sum + each, 0) / pieces.length;
        const terminal = contactTerminal(end, contact);
        return (
          <text key={contact} x={across(middle)} y={y + 9.4} className={styles['sideName']}>
            {contact}
            {red?.has(terminal) ? ' red' : black?.has(terminal) ? ' black' : ''}
          </text>
        );
      })}
    </g>
  );
}
