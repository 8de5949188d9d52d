import type { ComponentType, KeyboardEvent, ReactNode } from 'react';
import { contactTerminal, memberOf } from '../core/assembly';
import { COLOURS, type ColourCode } from '../core/catalogue';
import type { DrawnConductor, DrawnContact, PeeledEnd as Drawn } from '../core/drawing';
import { INSULATION, isDark } from './insulation';
import styles from './PeeledEnds.module.css';

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

export interface PeeledEndProps extends Touched {
  readonly drawn: Drawn;
  /** Where the insert's centre goes, mm from the left and top of the picture. */
  readonly x: number;
  readonly y: number;
  /** How far the jacket is drawn beyond its mouth, mm. */
  readonly jacket: number;
  /** Joints that are made. */
  readonly made?: ReadonlySet<string> | undefined;
  /** The joint at hand. */
  readonly now?: string | undefined;
  /** Contacts that the meter's leads touch. */
  readonly red?: ReadonlySet<string> | undefined;
  readonly black?: ReadonlySet<string> | undefined;
  /** How a contact is drawn from the solder side; a circle where nothing is said. */
  readonly contactAs?:
    ComponentType<{ contact: DrawnContact; x: number; y: number; toward: 1 | -1 }> | undefined;
  /** What is inside the shell, drawn over the cores. */
  readonly children?: ReactNode;
}

/** The shell of a connector whose contacts lie in two rows, round both: longer along the longer row. */
const shellOf = ([upper, lower]: NonNullable<Drawn['rows']>, x: number, y: number): string =>
  `M${x - upper.half} ${y - upper.y} H${x + upper.half} L${x + lower.half} ${y - lower.y} H${x - lower.half} Z`;

/** One end of a lead as the builder holds it: drawn from the core's geometry, which has y upward. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function PeeledEnd({
  drawn,
  x,
  y,
  jacket,
  lit,
  onLight,
  onPick,
  picked,
  made,
  now,
  red,
  black,
  contactAs: Contact,
  children,
}: PeeledEndProps) {
  const dims = (terminal: string): boolean => lit !== undefined && lit.size > 0 && !lit.has(terminal);
  const at = (px: number, py: number): string => `${x + px} ${y - py}`;
  const picks = (terminal: string) =>
    onPick && {
      onClick: () => onPick(terminal),
      onKeyDown: (event: KeyboardEvent) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onPick(terminal);
      },
      tabIndex: 0,
      role: 'button',
      'aria-pressed': picked === terminal,
    };
  const handlers = (terminal: string) =>
    onLight && {
      onPointerEnter: () => onLight(terminal),
      onPointerLeave: () => onLight(undefined),
      onFocus: () => onLight(terminal),
      onBlur: () => onLight(undefined),
      tabIndex: 0,
      role: 'img',
      ...picks(terminal),
    };
  const ringOf = (contact: Drawn['contacts'][number], as: 'red' | 'black' | 'now') => (
    <circle
      key={`${as}${contact.id}`}
      cx={x + contact.x}
      cy={y - contact.y}
      r={contact.radius + 1.1}
      className={`${styles['ring']} ${styles[as]}`}
      strokeDasharray={as === 'black' ? '1.4 0.8' : undefined}
    />
  );
  const shell = contactTerminal(drawn.end, 'shell');
  /** As large as leaves the neighbours their own. */
  const nameRadius = drawn.rows ? 1.1 : 1.25;
  return (
    <g>
      {drawn.jackets.map((each) => {
        const left = drawn.toward === 1 ? x + each.x : x + each.x - jacket;
        return (
          <rect
            key={each.span}
            x={left}
            y={y - each.y - each.thickness / 2}
            width={jacket}
            height={each.thickness}
            rx={0.4}
            fill={INSULATION[each.colour]}
            className={styles['jacket']}
          />
        );
      })}
      {drawn.rows ? (
        <path d={shellOf(drawn.rows, x, y)} className={styles['insert']} strokeLinejoin="round" />
      ) : (
        <circle cx={x} cy={y} r={drawn.insertRadius + 0.9} className={styles['insert']} />
      )}
      {(red?.has(shell) || black?.has(shell)) && (
        <circle
          cx={x}
          cy={y}
          r={drawn.insertRadius + 2.2}
          className={`${styles['ring']} ${styles[red?.has(shell) ? 'red' : 'black']}`}
          strokeDasharray={red?.has(shell) ? undefined : '1.4 0.8'}
        />
      )}
      {drawn.keyed && !drawn.rows && (
        <rect
          x={x - 1.3}
          y={y - drawn.insertRadius - 1.9}
          width={2.6}
          height={2.4}
          rx={0.5}
          className={styles['key']}
        />
      )}
      {drawn.contacts.map((contact) => (
        <g key={contact.id}>
          {Contact && drawn.side === 'solder' ? (
            <Contact contact={contact} x={x} y={y} toward={drawn.toward} />
          ) : (
            <circle cx={x + contact.x} cy={y - contact.y} r={contact.radius} className={styles['cup']} />
          )}
          {drawn.side === 'mating' && (
            <text x={x + contact.x} y={y - contact.y + 0.7} className={styles['cupName']}>
              {contact.id}
            </text>
          )}
          {red?.has(contact.terminal) && ringOf(contact, 'red')}
          {black?.has(contact.terminal) && ringOf(contact, 'black')}
        </g>
      ))}
      {drawn.links.map((link) => (
        <line
          key={link.joint}
          x1={x + link.from.x}
          y1={y - link.from.y}
          x2={x + link.to.x}
          y2={y - link.to.y}
          className={styles['link']}
        />
      ))}
      {drawn.conductors.map((conductor) => (
        <Conductor
          key={conductor.terminal}
          {...{ conductor, at }}
          dim={dims(conductor.terminal)}
          isPicked={picked === conductor.terminal}
          joined={
            conductor.joint === undefined ||
            made === undefined ||
            made.has(conductor.joint) ||
            conductor.joint === now
          }
          handlers={handlers(conductor.terminal)}
        />
      ))}
      {drawn.conductors.map(
        (conductor) =>
          conductor.letters && (
            <text
              key={`letters ${conductor.terminal}`}
              x={x + conductor.letters.x}
              y={y - conductor.letters.y + 0.5}
              className={`${styles['letters']} ${dims(conductor.terminal) ? styles['dim'] : ''}`}
              fill={isDark(conductor.colour) ? '#fff' : '#1c1a17'}
            >
              {conductor.colour === '??' ? memberOf(conductor.terminal).replace(/@.*/, '') : conductor.colour}
            </text>
          ),
      )}
      {children}
      {drawn.contacts.map((contact) => {
        const done =
          made !== undefined && contact.joints.length > 0 && contact.joints.every((joint) => made.has(joint));
        return (
          drawn.side === 'solder' && (
            <g
              key={`name ${contact.id}`}
              className={onPick && styles['pickable']}
              {...(onPick && { ...handlers(contact.terminal), 'aria-label': `contact ${contact.terminal}` })}
            >
              {done && (
                <circle
                  cx={x + contact.x}
                  cy={y - contact.y}
                  r={contact.radius}
                  className={styles['cupDone']}
                />
              )}
              {now !== undefined && contact.joints.includes(now) && ringOf(contact, 'now')}
              <circle
                cx={x + contact.x}
                cy={y - contact.y}
                r={nameRadius}
                fill="var(--paper-raised)"
                stroke="var(--outline)"
                strokeWidth={0.15}
              />
              <text x={x + contact.x} y={y - contact.y + 0.7} className={styles['cupName']}>
                {contact.id}
              </text>
              {picked === contact.terminal && ringOf(contact, 'now')}
            </g>
          )
        );
      })}
      {made === undefined &&
        drawn.numbers.map((number) => (
          <g key={number.joint}>
            <rect
              x={x + number.x - 1.35}
              y={y - number.y - 1.35}
              width={2.7}
              height={2.7}
              rx={0.5}
              className={styles['order']}
            />
            <text x={x + number.x} y={y - number.y + 0.68} className={styles['orderText']}>
              {number.n}
            </text>
          </g>
        ))}
    </g>
  );
}

function Conductor({
  conductor,
  at,
  dim,
  isPicked,
  joined,
  handlers,
}: {
  conductor: DrawnConductor;
  at: (x: number, y: number) => string;
  dim: boolean;
  isPicked: boolean;
  joined: boolean;
  handlers: object | undefined;
}) {
  const [p0, p1, p2, p3] = conductor.curve;
  const path = `M${at(p0.x, p0.y)} C${at(p1.x, p1.y)} ${at(p2.x, p2.y)} ${at(p3.x, p3.y)}`;
  const colour: ColourCode = conductor.is === 'core' ? conductor.colour : 'CU';
  const name = conductor.is === 'core' ? COLOURS[conductor.colour] : conductor.is;
  const said = conductor.lands ? `${name} to ${conductor.lands}` : `${name}, ${conductor.left ?? 'loose'}`;
  const width = Math.min(conductor.width, 1.9);
  return (
    <g
      className={`${styles['conductor']} ${dim ? styles['dim'] : ''}`}
      opacity={joined ? undefined : 0.35}
      {...(handlers && { ...handlers, 'aria-label': said })}
    >
      <path
        d={path}
        className={`${styles['edge']} ${isPicked ? styles['held'] : ''}`}
        strokeWidth={width + (isPicked ? 1.1 : 0.45)}
      />
      {conductor.lands && <path d={path} className={styles['copperTip']} strokeWidth={width * 0.6} />}
      <path
        d={path}
        className={styles['core']}
        stroke={INSULATION[colour]}
        strokeWidth={width}
        strokeDasharray={conductor.is === 'core' ? undefined : '0.9 0.35'}
      />
    </g>
  );
}
