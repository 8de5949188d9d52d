import { parseLength } from '../../core/quantity';
import { sayAmount } from '../../core/stock';
import { useQueryClient } from '@tanstack/react-query';
import { Frame } from '../app';
import type { PageProps } from '../app/page-props';
import type { Making } from '../../server/making/asked';
import type { JobKit } from '../../server/making/service';
import {
  ButtonLink,
  HowMany,
  Mark,
  SettledField,
  SortedTable,
  Tape,
  Unseen,
  type SortedColumn,
} from '../../ui';
import { usePrices } from '../lead/kit/usePrices';
import { BoxLater, ChainLater } from './come-later';
import { Hold } from './Hold';
import styles from './Job.module.css';
import { useMaking, type Asked } from './useMaking';

const KEYS = [['Tab', 'from field to field']] as const;
/** So many of one lead at the most. */
const MOST = 1000;

/** What a job asks for, and all that takes: one kit. */
export function JobPage({ id = '' }: PageProps) {
  return (
    <Frame keys={KEYS} trail={<a href="/">the board</a>}>
      <OfJob id={id} />
    </Frame>
  );
}

function OfJob({ id }: { readonly id: string }) {
  const { data: kit, settle, problem } = useMaking<JobKit>(id, `/api/jobs/${id}/kit`);
  if (!kit)
    return (
      <main id="main" tabIndex={-1}>
        <p>Laying it out…</p>
      </main>
    );
  return (
    <main id="main" tabIndex={-1} className={styles['page']}>
      <h1>
        What <Tape>{kit.job}</Tape> takes
      </h1>
      <Leads leads={kit.leads} onSettle={settle} />
      {problem !== undefined && <p role="alert">{problem}</p>}
      <ChainLater job={id} />
      {kit.leads.length > 1 && <BoxLater job={id} leads={kit.leads} />}
      <Takes id={id} kit={kit} />
      <Minds fits={kit.fits} />
    </main>
  );
}

const sayLeft = ({ started, left }: Making): string =>
  `${started === 0 ? 'none started' : `${started} started`}, ${left === 0 ? 'none to make' : `${left} to make`}`;

function Leads({
  leads,
  onSettle,
}: {
  readonly leads: readonly Making[];
  readonly onSettle: (asked: Asked) => void;
}) {
  return (
    <section aria-label="How many of each">
      <h2>How many of each</h2>
      {leads.length === 0 && <p className={styles['soft']}>No lead hangs here yet.</p>}
      <ul className={styles['leads']}>
        {leads.map((each) => {
          const { lead, name, count, pairs } = each;
          return (
            <li key={lead}>
              <label className={styles['name']}>
                <HowMany
                  count={count}
                  least={0}
                  most={MOST}
                  onCount={(next) => onSettle({ lead, count: next, pairs })}
                />
                {name}
              </label>
              <label className={styles['pairs']}>
                <input
                  type="checkbox"
                  checked={pairs}
                  onChange={({ target }) => onSettle({ lead, count, pairs: target.checked })}
                />
                pairs<Unseen> of {name}</Unseen>
              </label>
              <span className={styles['soft']}>{sayLeft(each)}</span>
              <a href={`/lead/${lead}/kit`}>
                its kit<Unseen>, {name}</Unseen>
              </a>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

type Line = JobKit['lines'][number];

const say = (line: Line, much: number): string =>
  line.unit === 'mm' ? sayAmount({ unit: 'mm' }, much) : String(much);

/** How much of it one lead takes: “4 × Bridge mic”, “23.86 m for Bridge mic”; where one takes it all, or a reel does for all, its name. */
const sayOf = (line: Line, { lead, much }: Line['of'][number]): string =>
  line.of.length === 1 || line.of.reduce((sum, each) => sum + each.much, 0) > line.much + 1
    ? lead
    : line.unit === 'mm'
      ? `${say(line, much)} for ${lead}`
      : `${much} × ${lead}`;

/** How much of it is bought: whole packs, where it is sold by those. */
const boughtOf = ({ short, buy }: Line): number => (buy ? buy.packs * buy.of : short);

/** “2 rolls of 100 m”, “3 packs of 10”. */
const sayPacks = ({ unit }: Line, { packs, of }: NonNullable<Line['buy']>): string =>
  unit === 'mm'
    ? `${packs} ${packs === 1 ? 'roll' : 'rolls'} of ${writeSold(unit, of)}`
    : `${packs} ${packs === 1 ? 'pack' : 'packs'} of ${of}`;

/** A length to the millimetre, or a count, as it is typed. */
const writeSold = (unit: Line['unit'], much: number | null | undefined): string =>
  typeof much !== 'number' ? '' : unit === 'mm' ? `${much / 1000} m` : `${much}`;

/** What is typed as the size of a roll or a pack; nothing typed is none. */
function readSold(unit: Line['unit'], text: string): number | null | undefined {
  if (text.trim() === '') return null;
  if (unit === 'pieces') return /^\s*[1-9]\d{0,6}\s*$/.test(text) ? Number(text) : undefined;
  const read = parseLength(text, { path: '' });
  const mm = read.ok ? Math.round(read.value) : 0;
  return mm >= 1 && mm <= 10_000_000 ? mm : undefined;
}

/** By how much it is sold: a roll of so many metres, a pack of so many. */
const SoldBy = ({
  line: { name, unit },
  sold,
  onSettle,
}: {
  readonly line: Line;
  readonly sold: number | undefined;
  readonly onSettle: (much: number | null) => void;
}) => (
  <SettledField
    text={writeSold(unit, sold)}
    read={(text) => readSold(unit, text)}
    write={(much) => writeSold(unit, much)}
    otherwise={unit === 'mm' ? 'Give a length, such as 100 m, or nothing.' : 'Give a count, or nothing.'}
    onSettle={onSettle}
    label={<Unseen>{name} is sold by</Unseen>}
    input={{ maxLength: 12, placeholder: unit === 'mm' ? 'the metre' : 'one', className: styles['sold'] }}
  />
);

/** What there is of it, and what is bought. */
const WHERE: readonly SortedColumn<Line>[] = [
  {
    head: 'On the shelf',
    value: ({ have }) => have,
    cell: (line) =>
      [
        line.have === 0 ? 'none' : say(line, line.have),
        ...line.places,
        ...(line.salvaged > 0 ? [`${line.salvaged} salvaged`] : []),
        ...(line.cut > 0 ? [`${say(line, line.cut)} cut already`] : []),
      ].join(', '),
  },
  {
    head: 'To buy',
    value: (line) => line.short,
    figures: true,
    cell: (line) =>
      line.short > 0 ? (
        <b>
          {line.buy ? sayPacks(line, line.buy) : say(line, line.short)}
          {line.have >= line.much && <span className={styles['soft']}> in one piece</span>}
        </b>
      ) : (
        ''
      ),
  },
];

/** All of it together: what lies on the shelf, where, what is short and what it costs. */
function Takes({ id, kit }: { readonly id: string; readonly kit: JobKit }) {
  const client = useQueryClient();
  const { currency, prices, sold, settleSold, problem } = usePrices();
  const money = new Intl.NumberFormat(undefined, { style: 'currency', currency });
  const costOf = (line: Line, much: number): number =>
    ((prices[line.item] ?? 0) * much) / (line.unit === 'mm' ? 1000 : 1);
  const short = kit.lines.filter((line) => line.short > 0);
  const sum = (of: (line: Line) => number): number => kit.lines.reduce((all, line) => all + of(line), 0);
  const unpriced = kit.lines.filter(({ item }) => prices[item] === undefined).length;
  if (kit.lines.length === 0)
    return <p>Everything that this job asks for has been started: there is nothing to take.</p>;
  return (
    <section aria-label="What it takes">
      <h2>What it takes</h2>
      <p>
        {short.length > 0 ? (
          <Mark kind="caution" word={`Short of ${short.length} ${short.length === 1 ? 'thing' : 'things'}`} />
        ) : (
          <Mark kind="good" word="All of it lies on the shelf" />
        )}{' '}
        {money.format(sum((line) => costOf(line, line.much)))} of material
        {short.length > 0 && <>, {money.format(sum((line) => costOf(line, boughtOf(line))))} to buy</>}
        {unpriced > 0 && `; ${unpriced} of ${kit.lines.length} things have no price`}.{' '}
        <ButtonLink look="plain" href={`/shelf?job=${id}`}>
          Cut for it
        </ButtonLink>{' '}
        <a href={`/api/jobs/${id}/kit.pdf`} target="_blank" rel="noreferrer">
          On paper
        </a>
        {', '}
        <a href={`/api/jobs/${id}/cuts.pdf`} target="_blank" rel="noreferrer">
          its cut list
        </a>
      </p>
      {problem !== undefined && <p role="alert">{problem}</p>}
      <Hold id={id} held={kit.held} />
      <SortedTable
        name="Everything for what is still to be made"
        rows={kit.lines}
        keyOf={({ item }) => item}
        columns={[
          { head: 'What', value: ({ name }) => name },
          { head: 'Takes', value: ({ much }) => much, cell: (line) => say(line, line.much), figures: true },
          {
            head: 'For',
            value: ({ of }) => of.map(({ lead }) => lead).join(', '),
            cell: (line) => line.of.map((each) => sayOf(line, each)).join('; '),
          },
          ...WHERE,
          {
            head: 'Sold by',
            value: ({ item }) => sold[item] ?? 0,
            cell: (line) => (
              <SoldBy
                line={line}
                sold={sold[line.item]}
                onSettle={(much) =>
                  void settleSold(line.item, much).then(() =>
                    client.invalidateQueries({ queryKey: [`/api/jobs/${id}/kit`] }),
                  )
                }
              />
            ),
          },
          {
            head: 'Costs',
            value: (line) => costOf(line, line.much),
            figures: true,
            cell: (line) => (prices[line.item] === undefined ? '' : money.format(costOf(line, line.much))),
          },
        ]}
      />
    </section>
  );
}

function Minds({ fits }: Pick<JobKit, 'fits'>) {
  const stops = fits.filter(({ verdict }) => verdict !== 'measure');
  if (stops.length === 0) return null;
  return (
    <section aria-label="What to mind">
      <h2>What to mind</h2>
      <ul className={styles['minds']}>
        {stops.map(({ id, lead, says, has, takes, todo }) => (
          <li key={`${lead} ${id}`}>
            <b>{lead}</b>: {says}: {has}; takes {takes}. {todo}
          </li>
        ))}
      </ul>
    </section>
  );
}
