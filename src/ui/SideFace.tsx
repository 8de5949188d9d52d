import type { Turned } from '../core/catalogue';
import { profileLength } from '../core/drawing';
import styles from './PeeledEnds.module.css';

/**
 * A plug whose contacts lie behind each other, from the side, tip to the left, with the beginning of its handle.
 * Contacts that the meter's leads touch are filled: red, or black and marked so.
 */
export function SideFace({
  end,
  face,
  x,
  y,
  width,
  red,
  black,
}: {
  end: string;
  face: readonly Turned[];
  x: number;
  y: number;
  width: number;
  red?: ReadonlySet<string> | undefined;
  black?: ReadonlySet<string> | undefined;
}) {
  const length = profileLength(face);
  const scale = (width - 3) / length;
  const starts = face.map((_, n) => profileLength(face.slice(0, n)));
  const contacts = [...new Set(face.flatMap((piece) => piece.contact ?? []))];
  const left = x - width / 2;
  const look = (contact: string | undefined): string => {
    if (contact === undefined) return styles['sideInsulator'] ?? '';
    const terminal = `${end}.${contact}`;
    return (red?.has(terminal) ? styles['sideRed'] : black?.has(terminal) ? styles['sideBlack'] : '') ?? '';
  };
  return (
    <g>
      <rect
        x={left + length * scale}
        y={y - 6}
        width={3}
        height={12}
        rx={0.5}
        className={`${styles['sidePiece']} ${styles['sideHandle']}`}
      />
      {face.map((piece, n) => {
        const at = left + (starts[n] ?? 0) * scale;
        const to = at + piece.length * scale;
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
        const terminal = `${end}.${contact}`;
        return (
          <text key={contact} x={left + middle * scale} y={y + 9.4} className={styles['sideName']}>
            {contact}
            {red?.has(terminal) ? ' red' : black?.has(terminal) ? ' black' : ''}
          </text>
        );
      })}
    </g>
  );
}
