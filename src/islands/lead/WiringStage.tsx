import { lazy, Suspense, useRef, useState } from 'react';
import { cableOf, memberOf, netlist, placeOf, sideOf } from '../../core/assembly';
import { COLOURS } from '../../core/catalogue';
import { litPaths } from '../../core/drawing';
import { carryOut } from '../../core/findings';
import { sayPart, sayPartKind, sayRatings } from '../../core/assembly';
import { editedOf, hasIntent, mainUse, type EditedLead, type Lead } from '../../core/lead';
import { resolveSchools, SCHOOLS } from '../../core/wiring';
import { Button } from '../../ui';
import { SchoolQuestion } from '../app';
import { Ends } from './Ends';
import { Findings } from './Findings';
import { InHand } from './InHand';
import styles from './Stage.module.css';
import type { StageProps } from './stage-props';

/** Most leads were changed by nobody: what says so comes after the first screen. */
const ByHand = lazy(async () => ({ default: (await import('./ByHand')).ByHand }));

/** The wiring as the builder holds it: both ends peeled, every core to its contact, and why. */
export function WiringStage({ read, found, hangs, onChange }: StageProps) {
  const { edited, lead } = read;
  if (!lead) return <p>The intent has to be whole before it can be wired: go back to it along the cable.</p>;
  return <Wiring lead={lead} edited={edited} found={found} hangs={hangs} onChange={onChange} />;
}

// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
function Wiring({
  lead,
  edited,
  found,
  hangs,
  onChange,
}: Pick<StageProps, 'found' | 'hangs' | 'onChange'> & { lead: Lead; edited: EditedLead }) {
  const [side, setSide] = useState<'solder' | 'mating'>('solder');
  const [pointedAt, setPointedAt] = useState<string | undefined>();
  const { assembly } = lead;
  const use = mainUse(lead);
  const { netOf } = netlist(assembly);
  // A finding that was shown stays lit until a core is touched; one that is gone lights nothing.
  const [shown, setShown] = useState<string | undefined>();
  const drawn = useRef<HTMLDivElement>(null);
  const about = found.find(({ says }) => says === shown);
  const net = pointedAt === undefined ? undefined : netOf.get(pointedAt);
  const lit = net
    ? new Set(net.terminals)
    : about && new Set((about.at ?? []).flatMap((at) => netOf.get(at)?.terminals ?? at));
  const paths = litPaths(assembly, use);
  const isHung = (school: string | undefined): school is string => hangs.some((each) => each === school);
  return (
    <>
      <div ref={drawn} className={styles['drawing']}>
        <Ends lead={lead} side={side} hold={InHand} lit={lit} onLight={setPointedAt} />
      </div>
      <div className={styles['under']}>
        <Button onClick={() => setSide(side === 'solder' ? 'mating' : 'solder')}>
          {side === 'solder' ? 'Show the mating faces' : 'Show the solder sides'}
        </Button>
        <p aria-live="polite" className={styles['lit']}>
          {net
            ? paths.find((path) => path.net === net.name)?.says
            : about
              ? about.says
              : 'Touch a core: its whole path lights. Squares give the order of soldering; read the numbers on the insert.'}
        </p>
      </div>
      <div className={styles['beside']}>
        <div>
          <table className={styles['table']}>
            <caption>Which core on which contact, and why</caption>
            <thead>
              <tr>
                <th scope="col">End</th>
                <th scope="col">Contact</th>
                <th scope="col">Conductor</th>
                <th scope="col">Why</th>
              </tr>
            </thead>
            <tbody>
              {joinRows(lead).map((row) => (
                <tr
                  key={row.key}
                  data-lit={lit !== undefined && row.terminals.some((terminal) => lit.has(terminal))}
                >
                  <td>{row.end}</td>
                  <td className={styles['figure']}>{row.contact}</td>
                  <td>{row.conductors}</td>
                  <td>
                    {row.why} {isHung(row.school) && <SchoolTag id={row.school} />}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <Parts lead={lead} />
          <ul className={styles['reasons']}>
            {lead.because.reasons.map((reason) => (
              <li key={reason.says}>
                {reason.says} {isHung(reason.school) && <SchoolTag id={reason.school} />}{' '}
                {reason.source && <span className={styles['source']}>{reason.source}</span>}
              </li>
            ))}
          </ul>
        </div>
        <div>
          <Findings
            findings={found}
            onShow={({ says }) => {
              setShown(says);
              // On a phone what is lit lies above what is said.
              drawn.current?.scrollIntoView({ block: 'nearest' });
            }}
            onRemedy={(change) => {
              if (hasIntent(edited)) {
                const { intent, edits } = carryOut(edited, change);
                onChange(editedOf(edited.name, intent, edits));
              } else if (change.kind === 'edit')
                onChange({ ...edited, edits: [...edited.edits, change.edit] });
            }}
          />
          <Suspense fallback={null}>
            <ByHand lead={lead} edited={edited} onChange={onChange} />
          </Suspense>
          <Schools edited={edited} hangs={hangs} onChange={onChange} />
        </div>
      </div>
    </>
  );
}

interface Row {
  readonly key: string;
  readonly end: string;
  readonly contact: string;
  readonly conductors: string;
  readonly why: string;
  readonly school?: string | undefined;
  readonly terminals: readonly string[];
}

/** Every joint and every conductor that is left, as rows: all that the drawing shows, in words. */
function joinRows({ assembly }: Lead): readonly Row[] {
  const name = (terminal: string): string => {
    const place = placeOf(assembly, terminal);
    if (place?.kind === 'lead') return `${place.part.id} ${place.lead}`;
    if (place?.kind !== 'conductor') return '';
    if (place.conductor.pair !== undefined && place.conductor.is !== 'core')
      return `${place.conductor.is} ${place.conductor.pair}`;
    if (place.conductor.is !== 'core') return place.conductor.is;
    const paired = cableOf(assembly, place.span)?.kind === 'multipair';
    return `${COLOURS[place.conductor.colour]} (${place.conductor.colour})${paired ? ` of pair ${place.conductor.pair ?? ''}` : ''}`;
  };
  return assembly.bodies.flatMap((body) => {
    const end = body.ends.map((each) => each.id).join(', ') || body.name;
    const several = body.ends.length > 1;
    const joined = [...body.joints, ...(body.existing ?? [])].map((joint): Row => {
      const contacts = joint.terminals
        .filter((t) => ['contact', 'case'].includes(placeOf(assembly, t)?.kind ?? ''))
        .map((t) => (several ? t : memberOf(t)));
      const conductors = joint.terminals.map(name).filter(Boolean);
      return {
        key: joint.id,
        end,
        contact: contacts.join(' – '),
        conductors: conductors.length > 0 ? conductors.join(' and ') : 'link',
        why: joint.because?.says ?? (joint.how === 'continues' ? 'Goes on uncut.' : ''),
        school: joint.because?.school,
        terminals: joint.terminals,
      };
    });
    const left = assembly.unjoined
      .filter((each) => sideOf(each.at) === body.id)
      .map((each): Row => ({
        key: each.at,
        end,
        contact: '',
        conductors: `${name(each.at)}, ${each.is}`,
        why: each.because.says,
        school: each.because.school,
        terminals: [each.at],
      }));
    return [...joined, ...left];
  });
}

/** Which question the answer to this hangs on. */
const SchoolTag = ({ id }: { id: string }) => (
  <span className={styles['tag']}>
    {SCHOOLS.find((school) => school.id === id)?.id.replace(/-/g, ' ') ?? id}
  </span>
);

/** What is inside, and what each part is between. */
function Parts({ lead: { assembly } }: { lead: Lead }) {
  const { parts, nets } = netlist(assembly);
  if (parts.length === 0) return null;
  const where = (net: string | undefined): string =>
    nets.find((each) => each.name === net)?.contacts.join(' – ') || 'inside';
  return (
    <table className={styles['table']}>
      <caption>Parts inside</caption>
      <tbody>
        {parts.map(({ part, leads }) => (
          <tr key={part.id}>
            <td className={styles['figure']}>{part.id}</td>
            <td>
              {sayPartKind(part)} {sayPart(part)} <span className={styles['source']}>{sayRatings(part)}</span>
            </td>
            <td>
              {Object.entries(leads)
                .map(([lead, net]) => `${lead}: ${where(net)}`)
                .join('; ')}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Schools({
  edited,
  hangs,
  onChange,
}: Pick<StageProps, 'hangs' | 'onChange'> & { edited: EditedLead }) {
  if (!hasIntent(edited)) return null;
  // What was chosen stands at once; what it comes to follows.
  const schools = resolveSchools(edited.intent.schools);
  type Asked = (typeof SCHOOLS)[number];
  const isHung = ({ id }: Asked): boolean => hangs.includes(id);
  const matters = (school: Asked): boolean => school.decides !== 'wiring' || isHung(school);
  const one = (school: Asked) => (
    <SchoolQuestion
      key={school.id}
      school={school}
      answer={schools[school.id]}
      mark={isHung(school) && <SchoolTag id={school.id} />}
      onChoose={(answer) =>
        onChange(
          editedOf(
            edited.name,
            {
              ...edited.intent,
              schools: { ...edited.intent.schools, [school.id]: answer },
            },
            edited.edits,
          ),
        )
      }
    />
  );
  return (
    <section aria-label="Schools" className={styles['schools']}>
      <h2>Where good builders differ</h2>
      {SCHOOLS.filter(matters).map(one)}
      <details>
        <summary className={styles['source']}>Nothing in this lead hangs on these</summary>
        {SCHOOLS.filter((school) => !matters(school)).map(one)}
      </details>
    </section>
  );
}
