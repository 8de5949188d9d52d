import type { KeyboardEvent, SVGAttributes } from 'react';
import {
  boxOf,
  INSULATION,
  isDark,
  LETTERING,
  onPaper,
  pathOf,
  type Label,
  type Mark,
  type Material,
  type Paint,
  type Picture as Drawn,
  type Thing,
} from '../core/drawing';
import styles from './Picture.module.css';

/** What touching a drawing does, and what is touched. */
export interface Touched {
  /** Terminals that are lit; when there are any, the rest is dimmed. */
  readonly lit?: ReadonlySet<string> | undefined;
  readonly onLight?: ((terminal: string | undefined) => void) | undefined;
  /** Takes a core, a contact or a leg of a part in hand, to change it. */
  readonly onPick?: ((terminal: string) => void) | undefined;
  /** What is in hand. */
  readonly picked?: string | undefined;
}

export interface PictureProps extends Touched {
  readonly picture: Drawn;
  /** What it shows, in words. */
  readonly says: string;
  /** Joints that are made, at the bench. */
  readonly made?: ReadonlySet<string> | undefined;
  /** The joint at hand. */
  readonly now?: string | undefined;
  /** Contacts that the meter's leads touch. */
  readonly red?: ReadonlySet<string> | undefined;
  readonly black?: ReadonlySet<string> | undefined;
  /** Left out where it is too small to be read. */
  readonly labelled?: boolean;
  /** Lines beside it, in the middle of where they stand. */
  readonly notes?: readonly {
    readonly text: string;
    readonly x: number;
    readonly y: number;
    readonly soft?: boolean;
  }[];
}

/** Materials that are as the theme has them; the others look the same by day and by night. */
const THEMED: Partial<Readonly<Record<Material, string>>> = {
  paper: 'var(--paper-raised)',
  hollow: 'var(--paper-sunk)',
  ink: 'var(--ink)',
  outline: 'var(--outline)',
  metal: 'var(--metal)',
  steel: 'var(--metal-dark)',
  dark: 'var(--boot)',
  copper: 'var(--copper)',
};
const RED = '#d0352a';

const colourOf = (paint: Paint): string =>
  paint in INSULATION ? onPaper(paint) : (THEMED[paint as Material] ?? onPaper(paint));

function MarkShape({ mark, fill }: { mark: Mark; fill?: string | undefined }) {
  const painted = {
    fill: mark.unseen ? 'transparent' : mark.fill === undefined ? 'none' : (fill ?? colourOf(mark.fill)),
    ...(mark.stroke === undefined ? {} : { stroke: colourOf(mark.stroke), strokeWidth: mark.thick }),
    ...(mark.strands ? { strokeDasharray: '0.2 0.8' } : {}),
  };
  if (mark.is === 'disc') return <circle cx={mark.at.x} cy={mark.at.y} r={mark.r} {...painted} />;
  if (mark.is === 'box')
    return (
      <rect
        x={mark.at.x - mark.width / 2}
        y={mark.at.y - mark.height / 2}
        width={mark.width}
        height={mark.height}
        rx={mark.round}
        {...painted}
      />
    );
  return <path d={pathOf(mark)} strokeLinecap={mark.strands ? 'butt' : 'round'} {...painted} />;
}

const isConductor = ({ is }: Thing): boolean => is === 'core' || is === 'screen' || is === 'drain';

/** At the bench: not made yet, and not what is being made. */
const isLater = (
  { joints }: Thing,
  made: ReadonlySet<string> | undefined,
  now: string | undefined,
): boolean =>
  made !== undefined && joints.length > 0 && !joints.some((joint) => made.has(joint) || joint === now);

/** What pointing at a thing, and taking it, does; undefined where nothing does. */
function handlers(
  { onLight, onPick, picked }: Touched,
  terminal: string,
  says: string,
  isTaken: boolean,
): SVGAttributes<SVGGElement> | undefined {
  if (!onLight) return undefined;
  return {
    onPointerEnter: () => onLight(terminal),
    onPointerLeave: () => onLight(undefined),
    onFocus: () => onLight(terminal),
    onBlur: () => onLight(undefined),
    tabIndex: 0,
    role: 'img',
    'aria-label': says,
    ...(onPick && isTaken
      ? {
          onClick: () => onPick(terminal),
          onKeyDown: (event: KeyboardEvent) => {
            if (event.key !== 'Enter' && event.key !== ' ') return;
            event.preventDefault();
            onPick(terminal);
          },
          role: 'button',
          'aria-pressed': picked === terminal,
        }
      : {}),
  };
}

/** Where a contact is touched: over the cores that lie on it. */
function Spot({ thing, props }: { thing: Thing; props: PictureProps }) {
  const { ring, touch = ring, terminals, says } = thing;
  const [terminal = ''] = terminals;
  return (
    touch && (
      <g className={styles['touchable']} {...handlers(props, terminal, says, true)}>
        <circle cx={touch.at.x} cy={touch.at.y} r={touch.r} fill="transparent" />
      </g>
    )
  );
}

/** One thing: what of it is lit, made, at hand or under the meter. */
function ThingShape({ thing, props }: { thing: Thing; props: PictureProps }) {
  const { lit, onPick, picked, made, now, red, black } = props;
  const { is, terminals, joints, ring, marks, says } = thing;
  const [terminal = ''] = terminals;
  const isWire = isConductor(thing) || is === 'leg' || is === 'link';
  const isDim =
    lit !== undefined &&
    lit.size > 0 &&
    (isWire || is === 'part') &&
    !terminals.some((each) => lit.has(each));
  const later = isWire && isLater(thing, made, now);
  const isDone =
    is === 'contact' && made !== undefined && joints.length > 0 && joints.every((joint) => made.has(joint));
  const isAtHand = is === 'contact' && now !== undefined && joints.includes(now);
  const picks = onPick !== undefined && (isConductor(thing) || is === 'leg');
  const hands = isConductor(thing) || picks ? handlers(props, terminal, says, picks) : undefined;
  const lead = red?.has(terminal) ? 'red' : black?.has(terminal) ? 'black' : undefined;
  const metered = lead !== undefined && ring === undefined;
  const ringAs = (as: 'red' | 'black' | 'now') =>
    ring && (
      <circle
        cx={ring.at.x}
        cy={ring.at.y}
        r={ring.r}
        className={`${styles['ring']} ${styles[as]}`}
        strokeDasharray={as === 'black' ? '1.4 0.8' : undefined}
      />
    );
  return (
    <g
      className={`${isDim ? styles['dim'] : later ? styles['later'] : ''} ${hands ? styles['touchable'] : ''} ${picked === terminal && picks ? styles['held'] : ''}`}
      {...hands}
    >
      {marks.map((mark, n) => (
        <MarkShape
          key={n}
          mark={mark}
          fill={
            mark.fill === 'metal' && metered
              ? lead === 'red'
                ? RED
                : 'var(--ink)'
              : isDone && (mark.fill === 'metal' || mark.fill === 'silver')
                ? 'var(--copper)'
                : undefined
          }
        />
      ))}
      {lead && ringAs(lead)}
      {(isAtHand || (picked === terminal && (picks || is === 'contact'))) && ringAs('now')}
    </g>
  );
}

/** What is written in the picture, upright and on what it is of, or beside it on its leader. */
function LabelShape({ label, dim, lead }: { label: Label; dim: boolean; lead?: string | undefined }) {
  const { x, y, width, height } = boxOf(label);
  const { at, size, on, is, leader } = label;
  const round = is === 'order' ? size * 0.2 : height / 2;
  return (
    <g className={`${styles['label']} ${dim ? styles['dim'] : ''}`}>
      {leader && (
        <path
          d={`M${leader[0].x} ${leader[0].y} L${leader[1].x} ${leader[1].y}`}
          stroke="var(--outline)"
          strokeWidth={0.15}
        />
      )}
      {(on !== undefined || is === 'order') && (
        <rect
          x={x}
          y={y}
          width={width}
          height={height}
          rx={round}
          fill={on === undefined ? 'var(--ink)' : INSULATION[on]}
          stroke={on === undefined ? undefined : 'var(--outline)'}
          strokeWidth={on === undefined ? undefined : 0.12}
        />
      )}
      <text
        x={at.x}
        y={at.y + size * 0.36}
        fontSize={size}
        fill={
          on !== undefined
            ? isDark(on)
              ? LETTERING.light
              : LETTERING.dark
            : is === 'order'
              ? 'var(--paper)'
              : 'var(--ink)'
        }
      >
        {label.text}
        {lead}
      </text>
    </g>
  );
}

/** A picture from the core: one component for wiring, bench and proof. */
export function Picture(props: PictureProps) {
  const { picture, says, lit, onLight, made, now, red, black, labelled = true, notes = [] } = props;
  const { frame, things, labels } = picture;
  const laterCores = new Set(
    things.flatMap((thing) => (isConductor(thing) && isLater(thing, made, now) ? thing.terminals : [])),
  );
  const isDim = ({ is, terminals: [own = ''] }: Label): boolean =>
    is === 'letters' && ((lit !== undefined && lit.size > 0 && !lit.has(own)) || laterCores.has(own));
  const ofSide = new Set(
    things.flatMap(({ is, ring, terminals }) => (is === 'contact' && !ring ? terminals : [])),
  );
  return (
    <svg
      viewBox={`${frame.x} ${frame.y} ${frame.width} ${frame.height}`}
      className={styles['picture']}
      role={onLight ? 'group' : 'img'}
      aria-label={says}
    >
      {things.map((thing) => (
        <ThingShape key={`${thing.is} ${thing.key}`} thing={thing} props={props} />
      ))}
      {labelled &&
        labels.map((label) => {
          const [terminal = ''] = label.terminals;
          if (made !== undefined && label.is === 'order') return null;
          return (
            <LabelShape
              key={label.key}
              label={label}
              dim={isDim(label)}
              lead={
                ofSide.has(terminal)
                  ? red?.has(terminal)
                    ? ' red'
                    : black?.has(terminal)
                      ? ' black'
                      : undefined
                  : undefined
              }
            />
          );
        })}
      {props.onPick &&
        things.map((thing) =>
          thing.is === 'contact' ? <Spot key={thing.key} thing={thing} props={props} /> : null,
        )}
      {notes.map((note) => (
        <text
          key={`${note.x} ${note.y}`}
          x={note.x}
          y={note.y}
          className={styles[note.soft ? 'soft' : 'note']}
        >
          {note.text}
        </text>
      ))}
    </svg>
  );
}
