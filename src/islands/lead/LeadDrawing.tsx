import { memo, useMemo, useState } from 'react';
import { endsOf } from '../../core/assembly';
import {
  facesAnother,
  facing,
  legible,
  pictureOf,
  sayPeeled,
  type Picture as Drawn,
} from '../../core/drawing';
import { schoolsOf, type Lead } from '../../core/lead';
import { inBoth } from '../../core/quantity';
import { fullness, inVice, type InVice, type View } from '../../core/vice';
import { lengthSystem } from '../../core/wiring';
import { Picture, Turn, type Touched } from '../../ui';
import styles from './Stage.module.css';

/** The size of type where two ends share the width of a page, mm. */
const PAIR_TYPE = 1.5;

export interface LeadDrawingProps extends Touched {
  readonly lead: Lead;
  /** Large, with the other ends beside it; or at a glance, which cannot be touched. */
  readonly as: 'held' | 'glance';
  readonly view: View;
  /** The end in the hand, where one was taken up. */
  readonly taken?: string | undefined;
  readonly onTake?: ((end: string) => void) | undefined;
  /** Whether the length is written between two ends. */
  readonly measured?: boolean;
  /** Joints that are made, of a lead that is being built; the others are faint. */
  readonly made?: ReadonlySet<string> | undefined;
}

/** Two ends facing each other; undefined where either is not there or its shape is not known. */
function useFacing(drawn: InVice, one: string | undefined, other: string | undefined) {
  return useMemo(() => {
    const peeledA = one === undefined ? undefined : drawn.peeled(one, 1);
    const peeledB = other === undefined ? undefined : drawn.peeled(other, -1);
    const options = { typeMm: PAIR_TYPE, ...(drawn.inFocus ? { focus: drawn.inFocus } : {}) };
    return peeledA && peeledB && facing(pictureOf(peeledA, options), pictureOf(peeledB, options));
  }, [drawn, one, other]);
}

/** Both ends of a lead peeled back toward each other, to one scale, with the length between them. */
function Pair(props: LeadDrawingProps & { readonly drawn: InVice }) {
  const { lead, measured = true, drawn, ...touched } = props;
  const { assembly } = lead;
  const [a, b] = endsOf(assembly);
  const both = useFacing(drawn, a?.id, b?.id);
  if (!a || !b || !both) return null;
  const { frame } = both.picture;
  const below = frame.y + frame.height;
  const picture: Drawn = { ...both.picture, frame: { ...frame, height: frame.height + 7 } };
  const asked = assembly.lengths[0];
  const named = props.as === 'held';
  return (
    <Picture
      {...touchedOnly(touched)}
      lit={litBy(touched, drawn.inFocus)}
      made={props.made}
      picture={picture}
      says="The lead, peeled back at both ends"
      notes={[
        ...(asked && measured
          ? [{ ...both.between, y: -5, text: inBoth(asked, lengthSystem(schoolsOf(lead))) }]
          : []),
        ...[a, b].flatMap((end, n) => {
          const x = both.middles[n]?.x ?? 0;
          return [
            { x, y: below + 2.5, text: end.id },
            ...(named
              ? [
                  {
                    x: x + (n === 0 ? 4 : -4),
                    y: below + 5.4,
                    text: drawn.within(end.id)[0]?.says ?? '',
                    soft: true,
                  },
                ]
              : []),
          ];
        }),
      ]}
    />
  );
}

/** What the squares are, where there are any. */
const Order = () => <span className={styles['source']}> Squares give the order of soldering.</span>;

const touchedOnly = ({ lit, onLight, onPick, picked }: Touched): Touched => ({
  lit,
  onLight,
  onPick,
  picked,
});

/** What is lit: what is pointed at, else the channel that is looked at. */
const litBy = (
  { lit }: Touched,
  inFocus: ReadonlySet<string> | undefined,
): ReadonlySet<string> | undefined => (lit !== undefined && lit.size > 0 ? lit : inFocus);

/** What is too small to be read is not written on. */
const NOTHING: ReadonlySet<string> = new Set();

/** One end by itself, as it is held. */
function OneEnd({
  end,
  drawn,
  turn,
  isLarge,
  made,
  ...touched
}: Touched & {
  readonly end: string;
  readonly drawn: InVice;
  readonly turn: View['turn'];
  readonly isLarge: boolean;
  readonly made?: ReadonlySet<string> | undefined;
}) {
  const seen = useMemo(() => {
    const peeled = drawn.peeled(end);
    const focus = drawn.inFocus ? { focus: drawn.inFocus } : {};
    return (
      peeled && {
        peeled,
        says: sayPeeled(peeled, made && { made }),
        picture: isLarge ? legible(peeled, { turn, ...focus }) : pictureOf(peeled, { turn, focus: NOTHING }),
      }
    );
  }, [drawn, end, isLarge, made, turn]);
  return (
    <figure className={isLarge ? styles['large'] : undefined}>
      {seen && (
        <Picture
          {...touched}
          lit={litBy(touched, drawn.inFocus)}
          made={made}
          picture={seen.picture}
          labelled={isLarge}
          says={seen.says}
        />
      )}
      <figcaption>
        {drawn.within(end).map(({ id, says }, n) => (
          <span key={id}>
            {n > 0 && '; '}
            <b>{id}</b> {says}
          </span>
        ))}
        {drawn.isMadeOnSite(end) && ', made on site'}
        {isLarge && !made && seen && seen.peeled.numbers.length > 0 && <Order />}
      </figcaption>
    </figure>
  );
}

/** One that is not touched: nothing of it changes while another is pointed at. */
const SmallEnd = memo(OneEnd);

/** One end large, as it lies in the hand, and the others small beside it: each is taken up by a touch. */
function InHand(props: LeadDrawingProps & { readonly drawn: InVice }) {
  const { lead, drawn, view, taken, onTake, ...touched } = props;
  const { assembly } = lead;
  const { ends } = drawn;
  const held =
    ends.find((each) => drawn.within(each).some(({ id }) => id === taken)) ??
    [...ends].sort((one, other) => fullness(assembly, other) - fullness(assembly, one))[0];
  if (held === undefined) return null;
  const others = ends.filter((end) => end !== held);
  return (
    <div className={others.length > 0 ? styles['inHand'] : undefined}>
      <div className={styles['held']}>
        <OneEnd
          {...touchedOnly(touched)}
          made={props.made}
          drawn={drawn}
          turn={view.turn}
          end={held}
          isLarge
        />
      </div>
      {others.length > 0 && (
        <div className={styles['others']} role="group" aria-label="The other ends">
          {others.map((end) => (
            <button key={end} type="button" className={styles['takeUp']} onClick={() => onTake?.(end)}>
              <SmallEnd drawn={drawn} made={props.made} turn={0} end={end} isLarge={false} />
            </button>
          ))}
        </div>
      )}
    </div>
  );
}

/** As the stylesheet has it: on a phone one end lies in the hand. */
const isNarrow = (): boolean => typeof window !== 'undefined' && matchMedia('(max-width: 900px)').matches;

/** Every end of a lead, peeled and named in the lead's own words, units and order of soldering. */
export function LeadDrawing(props: LeadDrawingProps) {
  const { side, hand, turn, channel } = props.view;
  const { lead: of } = props;
  // What is drawn is worked out where it changes, and not each time that something is pointed at.
  const drawn = useMemo(() => inVice(of, { side, hand, turn, channel }), [of, side, hand, turn, channel]);
  const { lead, as, taken } = props;
  const { assembly } = lead;
  const [startsNarrow] = useState(isNarrow);
  const pair = facesAnother(assembly) && taken === undefined && props.view.turn === 0 && (
    <Pair {...props} drawn={drawn} />
  );
  if (as === 'glance')
    return (
      pair || (
        <div className={styles['gallery']}>
          {drawn.ends.map((end) => (
            <SmallEnd key={end} drawn={drawn} turn={0} end={end} isLarge={false} />
          ))}
        </div>
      )
    );
  if (!pair) return <InHand {...props} drawn={drawn} />;
  // Side by side they are too small to be touched on a phone: there one lies in the hand. What is not seen is drawn later.
  const inHand = <InHand {...props} drawn={drawn} />;
  return (
    <>
      <div className={styles['onlyWide']}>
        {startsNarrow ? <Turn>{pair}</Turn> : pair}
        {props.view.side === 'solder' && !props.made && <Order />}
      </div>
      <div className={styles['onlyNarrow']}>{startsNarrow ? inHand : <Turn>{inHand}</Turn>}</div>
    </>
  );
}
