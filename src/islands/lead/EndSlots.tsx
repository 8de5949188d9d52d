import {
  asksPinout,
  channelsOf,
  familiesFor,
  familyName,
  isDirected,
  isMeasured,
  isTail,
  layoutsFor,
  PORTS,
  portById,
  TAILS,
  usualGender,
  type ConnectorEntry,
  type PortKind,
} from '../../core/catalogue';
import type { Problem } from '../../core/quantity';
import type { IntentEnd } from '../../core/wiring';
import styles from '../app/Sentence.module.css';
import { Slot, TextSlot } from './Slots';

interface EndSlotsProps {
  readonly side: 'from' | 'to';
  readonly n: number;
  readonly end: IntentEnd;
  readonly connectors: readonly ConnectorEntry[];
  /** Channels of what faces it, where there is more than one. */
  readonly channels: readonly string[];
  /** Whether what faces it sends and receives. */
  readonly bothWays: boolean;
  /** Whether it is one plug and nothing else. */
  readonly alone?: boolean;
  /** Whether it is a socket in a box, which is a socket and straight. */
  readonly boxed?: boolean;
  /** Whether amplifiers and loudspeakers are meant, or anything but them; undefined where that is still open. */
  readonly power: boolean | undefined;
  readonly problems: readonly Problem[];
  readonly onChange: (end: IntentEnd) => void;
  /** Whether it stands for itself, with its article, or for several that are counted. */
  readonly counted?: boolean;
  readonly onRemove: (() => void) | undefined;
}

/**
 * What a port may stand at: outputs at the source, inputs at the other end, what passes or does both at either; facing
 * an insert, which sends and receives, both.
 */
const standsAt = (port: PortKind, side: 'from' | 'to', chosen: string, bothWays: boolean): boolean =>
  port.id === chosen ||
  bothWays ||
  port.direction === 'either' ||
  port.direction === (side === 'from' ? 'out' : 'in');

/** What one plug and nothing else is made for. */
const takesPlug = (port: PortKind): boolean => port.phantom === 'gives' || isMeasured(port);

/** “a”, “an”, or nothing before what is several or has an article of its own. */
const articleOf = (name: string): string =>
  /^(the|two|eight|headphones$|control data)/.test(name) ? '' : /^[aeiou]/i.test(name) ? 'an ' : 'a ';

/** A loudspeaker’s voltage goes to loudspeakers and nowhere else. */
export const isPower = (port: PortKind): boolean => port.signal === 'loudspeaker';

/** One end in words: what is there, on which connector, and whatever of that has to be asked. */
// eslint-disable-next-line max-lines-per-function -- one view, read from top to bottom as it is seen.
export function EndSlots({
  side,
  n,
  end,
  connectors,
  channels,
  bothWays,
  alone = false,
  boxed = false,
  power,
  problems,
  onChange,
  counted = false,
  onRemove,
}: EndSlotsProps) {
  const port = portById(end.port);
  const where = `${side === 'from' ? 'source' : 'destination'}${n === 0 ? '' : ` ${n + 1}`}`;
  const path = `intent.${side}[${n}]`;
  const tail = isTail(end.family);
  const layouts = port && !tail ? layoutsFor(end.family, port.format, connectors) : [];
  const typed = tail || asksPinout(end.family, connectors) || end.pinout !== undefined;
  const direction =
    port?.direction === undefined || port.direction === 'either'
      ? side === 'from'
        ? 'out'
        : 'in'
      : port.direction;
  const usual = usualGender(end.family, direction, connectors);
  const both =
    new Set(connectors.filter((each) => each.family === end.family).map((each) => each.gender)).size > 1;
  const angled = connectors.some(
    (each) =>
      each.family === end.family &&
      (each.gender === (end.gender ?? usual) || each.gender === 'none') &&
      each.angle === 'right-angle',
  );
  const keep = {
    port: end.port,
    ...(end.channel ? { channel: end.channel } : {}),
    ...(end.values ? { values: end.values } : {}),
  };
  const withPort = (id: string): IntentEnd => {
    const kind = portById(id);
    const families = kind ? familiesFor(kind, connectors) : [];
    // A connector that would only go on by shorting something is not kept: it has to be chosen.
    const goes =
      tail ||
      (families.includes(end.family) &&
        !(kind && layoutsFor(end.family, kind.format, connectors)[0]?.shorts));
    const family = goes ? end.family : (families[0] ?? end.family);
    return { port: id, family, ...(end.channel ? { channel: end.channel } : {}) };
  };
  const without = (...keys: readonly (keyof IntentEnd)[]): IntentEnd =>
    Object.fromEntries(
      Object.entries(end).filter(([key]) => !keys.includes(key as keyof IntentEnd)),
    ) as IntentEnd;
  return (
    <span className={styles['end']}>
      {!counted && articleOf(port?.name ?? '')}
      <Slot
        label={where}
        path={`${path}.port`}
        problems={problems}
        value={end.port}
        onChange={(id) => onChange(withPort(id))}
      >
        {PORTS.filter(
          (each) =>
            each.id === end.port ||
            (alone
              ? takesPlug(each)
              : standsAt(each, side, end.port, bothWays) &&
                !isMeasured(each) &&
                (power === undefined || isPower(each) === power)),
        ).map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
      </Slot>
      {port?.name.endsWith(' on') ? ', on ' : ' on '}
      <Slot
        label={`${where} connector`}
        path={`${path}.family`}
        problems={problems}
        value={end.family}
        onChange={(family) => onChange({ ...keep, family })}
      >
        {[
          ...new Set(
            [...(port ? familiesFor(port, connectors) : []), end.family].filter((each) => !isTail(each)),
          ),
        ].map((family) => (
          <option key={family} value={family}>
            {familyName(family, connectors)}
          </option>
        ))}
        {Object.entries(TAILS).map(([id, each]) => (
          <option key={id} value={id}>
            {each.name}
          </option>
        ))}
      </Slot>
      {!tail && !boxed && both && (
        <>
          {' '}
          <Slot
            label={`${where} plug or socket`}
            path={`${path}.gender`}
            problems={problems}
            value={end.gender ?? usual}
            onChange={(gender) =>
              onChange(
                gender === usual
                  ? without('gender', 'body')
                  : { ...without('body'), gender: gender as 'plug' | 'socket' },
              )
            }
          >
            <option value={usual}>
              ({usual}
              {isDirected(end.family, connectors) ? ', as usual' : ''})
            </option>
            <option value={usual === 'plug' ? 'socket' : 'plug'}>
              ({usual === 'plug' ? 'socket' : 'plug'})
            </option>
          </Slot>
        </>
      )}
      {!tail && !boxed && angled && (
        <>
          {', '}
          <Slot
            label={`${where} straight or right-angle`}
            path={`${path}.angle`}
            problems={problems}
            value={end.angle ?? 'straight'}
            onChange={(angle) =>
              onChange(
                angle === 'straight'
                  ? without('angle', 'body')
                  : { ...without('body'), angle: 'right-angle' },
              )
            }
          >
            <option value="straight">straight</option>
            <option value="right-angle">right-angle</option>
          </Slot>
        </>
      )}
      {!typed && (layouts.length > 1 || layouts[0]?.asks) && (
        <>
          {' with '}
          <Slot
            label={`${where} order`}
            path={`${path}.layout`}
            problems={problems}
            value={end.layout ?? (layouts[0]?.asks ? '' : (layouts[0]?.id ?? ''))}
            onChange={(layout) => onChange(layout === '' ? without('layout') : { ...end, layout })}
          >
            {layouts[0]?.asks && <option value="">the order to be chosen</option>}
            {layouts.map((each) => (
              <option key={each.id} value={each.id}>
                {each.name}
              </option>
            ))}
          </Slot>
        </>
      )}
      {typed && port && (
        <PinList
          {...{ where, path, problems, end, port, tail, onChange }}
          contacts={
            connectors.find((each) => each.family === end.family)?.contacts.map((each) => each.id) ?? []
          }
        />
      )}
      {channels.length > 0 && channelsOf(port?.format ?? 'balanced').length === 1 && (
        <>
          {' for '}
          <Slot
            label={`${where} channel`}
            path={`${path}.channel`}
            problems={problems}
            value={end.channel ?? ''}
            onChange={(channel) => onChange(channel === '' ? without('channel') : { ...end, channel })}
          >
            <option value="">its turn</option>
            {channels.map((each) => (
              <option key={each} value={each}>
                {/^\d+$/.test(each) ? `channel ${each}` : each}
              </option>
            ))}
          </Slot>
        </>
      )}
      {onRemove && (
        <button
          type="button"
          className={styles['small']}
          aria-label={`take ${where} out`}
          title="take this end out"
          onClick={onRemove}
        >
          ✕
        </button>
      )}
    </span>
  );
}

/** The equipment's own pin list: which contact is hot, cold, screen … Nobody but its manual knows. */
function PinList({
  where,
  path,
  problems,
  end,
  port,
  tail,
  contacts,
  onChange,
}: {
  where: string;
  path: string;
  problems: readonly Problem[];
  end: IntentEnd;
  port: PortKind;
  tail: boolean;
  contacts: readonly string[];
  onChange: (end: IntentEnd) => void;
}) {
  const keys = channelsOf(port.format).flatMap((channel) =>
    channel.roles.map((role) => (channel.id === '' ? role : `${channel.id}.${role}`)),
  );
  const put = (key: string, contact: string): void => {
    const { [key]: _, ...rest } = end.pinout ?? {};
    onChange({ ...end, pinout: contact === '' ? rest : { ...rest, [key]: contact } });
  };
  return (
    <span>
      {' (by its manual '}
      {keys.map((key, k) => (
        <span key={key}>
          {k > 0 && ', '}
          {key.replace('.', ' ')}{' '}
          {tail ? (
            <TextSlot
              label={`${where} ${key}`}
              path={k === 0 ? `${path}.pinout` : `${path}.pinout.${key}`}
              problems={problems}
              value={end.pinout?.[key] ?? ''}
              placeholder="pin"
              onChange={(contact) => put(key, contact.trim().replace(/\s+/g, '-'))}
            />
          ) : (
            <Slot
              label={`${where} ${key}`}
              path={k === 0 ? `${path}.pinout` : `${path}.pinout.${key}`}
              problems={problems}
              value={end.pinout?.[key] ?? ''}
              onChange={(contact) => put(key, contact)}
            >
              <option value="">?</option>
              {contacts.map((contact) => (
                <option key={contact} value={contact}>
                  {contact}
                </option>
              ))}
            </Slot>
          )}
        </span>
      ))}
      )
    </span>
  );
}
