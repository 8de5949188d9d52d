import { useRef, useState } from 'react';
import { leadTerminal, netlist, placeOf } from '../../core/assembly';
import { linesOf, litPaths, reasonsOf, type Line } from '../../core/drawing';
import { carryOut } from '../../core/findings';
import { sayPart, sayPartKind, sayRatings } from '../../core/assembly';
import {
  editedOf,
  hasIntent,
  mainUse,
  schoolsOf,
  type Edit,
  type EditedLead,
  type Lead,
} from '../../core/lead';
import { capital } from '../../core/quantity';
import { resolveSchools, SCHOOLS } from '../../core/wiring';
import { Later, Turn, useLater, type Touched } from '../../ui';
import { SchoolGroups, SchoolQuestion } from '../app';
import { Ends } from './Ends';
import { Findings } from './Findings';
import { Looking } from './Looking';
import styles from './Stage.module.css';
import type { StageProps } from './stage-props';
import { useView } from './useView';

/** Most leads were changed by nobody: what says so comes after the first screen. */
const loadByHand = async () => (await import('./ByHand')).ByHand;
const byHand = import.meta.env.SSR ? await loadByHand() : undefined;

/** What changes a lead by hand. */
const changing = () => import('./ChangeHere');

/** The wiring as the builder holds it: both ends peeled, every core to its contact, and why. */
export function WiringStage({ read, ...rest }: StageProps) {
  const { edited, lead } = read;
  if (!lead) return <p>The intent has to be whole before it can be wired: go back to it along the cable.</p>;
  return <Wiring lead={lead} edited={edited} {...rest} />;
}

const TOUCH = 'Touch a core: its whole path lights, and touching a contact then puts it there.';
const longest = (texts: readonly string[]): string =>
  texts.reduce((most, text) => (text.length > most.length ? text : most));

// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
function Wiring({
  lead,
  edited,
  found,
  hangs,
  onChange,
  steps,
  taken,
  onTake,
  sheet,
}: Pick<StageProps, 'sheet' | 'found' | 'hangs' | 'onChange' | 'steps' | 'taken' | 'onTake'> & {
  lead: Lead;
  edited: EditedLead;
}) {
  const view = useView(schoolsOf(lead));
  const [pointedAt, setPointedAt] = useState<string | undefined>();
  const { assembly } = lead;
  const use = mainUse(lead);
  const { netOf } = netlist(assembly);
  const hand = useLater(changing);
  const [inHand, setInHand] = useState<string>();
  const picked = inHand !== undefined && placeOf(assembly, inHand) ? inHand : undefined;
  const onEdit = (edit: Edit): void => {
    setInHand(undefined);
    onChange({ ...edited, edits: [...edited.edits, edit] });
  };
  const onPick = (terminal: string): void => {
    const deed = picked === undefined ? undefined : hand?.deedBetween(assembly, picked, terminal);
    if (deed) onEdit(deed.edit);
    else setInHand(terminal === picked ? undefined : terminal);
  };
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
        <Ends
          lead={lead}
          as="held"
          view={view}
          taken={taken}
          onTake={onTake}
          lit={lit}
          onLight={setPointedAt}
          onPick={hand && onPick}
          picked={picked}
        />
      </div>
      <Turn>
        <div className={styles['under']}>
          <Looking id={sheet.id} lead={lead} view={view} taken={taken} onTake={onTake} />
          <div className={styles['lit']}>
            <p aria-live="polite">
              {net
                ? paths.find((path) => path.net === net.name)?.says
                : about
                  ? about.says
                  : view.side === 'mating'
                    ? 'The faces as they mate: the cores are on the solder sides.'
                    : TOUCH}
            </p>
            {/* As high as the longest of what may be said here: nothing below moves while the hand is over the cores. */}
            <p aria-hidden="true">{longest([TOUCH, ...paths.map(({ says }) => says)])}</p>
          </div>
        </div>
        <div className={styles['hand']}>
          {hand && (
            <hand.ChangeHere
              lead={lead}
              picked={picked}
              taken={taken}
              steps={steps}
              onEdit={onEdit}
              onLetGo={() => setInHand(undefined)}
            />
          )}
        </div>
      </Turn>
      <div className={styles['beside']}>
        <div>
          <Turn>
            <Lines lead={lead} lit={lit} picked={picked} onPick={hand && onPick} onLight={setPointedAt} />
          </Turn>
          <Turn>
            <Parts lead={lead} onLight={setPointedAt} />
            <Reasons lead={lead} isHung={isHung} />
          </Turn>
        </div>
        <div>
          <Turn>
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
          </Turn>
          <Later name="by-hand" load={loadByHand} onServer={byHand} with={{ lead, edited, onChange }} />
          <Turn>
            <Schools edited={edited} hangs={hangs} onChange={onChange} />
          </Turn>
        </div>
      </div>
    </>
  );
}

/** Pointing at a line, or coming to a button in it, lights what it is about. */
const pointing = (terminal: string | undefined, onLight: Touched['onLight']) =>
  onLight && {
    onPointerEnter: () => onLight(terminal),
    onPointerLeave: () => onLight(undefined),
    onFocus: () => onLight(terminal),
    onBlur: () => onLight(undefined),
  };

/** The drawing in words: a line a core, with both its ends, by channel. */
function Lines({ lead, lit, picked, onPick, onLight }: Touched & { lead: Lead }) {
  const groups = linesOf(lead.assembly, mainUse(lead));
  const uncut = groups.every(({ lines }) => lines.every((line) => line.says === 'link' || line.uncut > 0));
  const place = (says: string, terminal: string | undefined, line: Line) =>
    onPick && terminal !== undefined ? (
      <button
        type="button"
        className={styles['open']}
        aria-pressed={picked === terminal}
        aria-label={`Take ${line.says} in hand at ${says}`}
        onClick={() => onPick(terminal)}
      >
        {says}
      </button>
    ) : (
      says
    );
  return (
    <table className={styles['table']}>
      <caption>Every core, and where it goes{uncut && ': all go on uncut where the cable parts'}</caption>
      <thead>
        <tr>
          <th scope="col">Core</th>
          <th scope="col">From</th>
          <th scope="col">To</th>
          <th scope="col">Carries</th>
        </tr>
      </thead>
      {groups.map(({ channel, lines }) => (
        <tbody key={channel ?? ''}>
          {groups.length > 1 && (
            <tr>
              <th scope="rowgroup" colSpan={4}>
                {channel === undefined
                  ? 'Shared'
                  : /^\d/.test(channel)
                    ? `Channel ${channel}`
                    : capital(channel)}
              </th>
            </tr>
          )}
          {lines.map((line) => (
            <tr
              key={line.key}
              data-lit={lit !== undefined && line.terminals.some((terminal) => lit.has(terminal))}
              {...pointing(line.terminals[0], onLight)}
            >
              <td>{line.says}</td>
              <td className={styles['figure']}>{place(line.from, line.terminals[0], line)}</td>
              <td className={styles['figure']}>{place(line.to, line.terminals.at(-1), line)}</td>
              <td>{line.carries}</td>
            </tr>
          ))}
        </tbody>
      ))}
    </table>
  );
}

/** On more contacts than this a reason counts them. */
const MOST_NAMED = 8;

/** Why it is so, each reason once. */
function Reasons({ lead, isHung }: { lead: Lead; isHung: (school: string | undefined) => school is string }) {
  const joints = reasonsOf(lead.assembly);
  const known = new Set(joints.map(({ says }) => says));
  const reasons = [
    ...joints,
    ...lead.because.reasons.filter(({ says }) => !known.has(says)).map((each) => ({ ...each, contacts: [] })),
  ];
  return (
    <ul aria-label="Why" className={styles['reasons']}>
      {reasons.map(({ says, school, source, contacts }) => (
        <li key={says}>
          {says}{' '}
          {contacts.length > 0 && (
            <span className={styles['source']}>
              {contacts.length > MOST_NAMED ? `${contacts.length} contacts` : contacts.join(', ')}
            </span>
          )}{' '}
          {isHung(school) && <SchoolTag id={school} />}{' '}
          {source && <span className={styles['source']}>{source}</span>}
        </li>
      ))}
    </ul>
  );
}

/** Which question the answer to this hangs on. */
const SchoolTag = ({ id }: { id: string }) => (
  <span className={styles['tag']}>
    {SCHOOLS.find((school) => school.id === id)?.id.replace(/-/g, ' ') ?? id}
  </span>
);

/** What is inside, and what each part is between. */
function Parts({ lead: { assembly }, onLight }: Pick<Touched, 'onLight'> & { lead: Lead }) {
  const { parts, nets } = netlist(assembly);
  if (parts.length === 0) return null;
  const where = (net: string | undefined): string =>
    nets.find((each) => each.name === net)?.contacts.join(' – ') || 'inside';
  return (
    <table className={styles['table']}>
      <caption>Parts inside</caption>
      <tbody>
        {parts.map(({ part, leads }) => (
          <tr key={part.id} {...pointing(leadTerminal(part.id, Object.keys(leads)[0] ?? ''), onLight)}>
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
  const matters = (school: Asked): boolean =>
    (school.decides !== 'wiring' && school.decides !== 'bench') || isHung(school);
  const one = (school: Asked) => (
    <SchoolQuestion
      key={school.id}
      school={school}
      answer={schools[school.id]}
      mark={school.decides === 'wiring' && isHung(school) && <SchoolTag id={school.id} />}
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
      <SchoolGroups schools={SCHOOLS.filter(matters)} one={one} />
      <details>
        <summary className={styles['source']}>Nothing in this lead hangs on these</summary>
        {SCHOOLS.filter((school) => !matters(school)).map(one)}
      </details>
    </section>
  );
}
