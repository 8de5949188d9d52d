import { contactsOf, endById, type Assembly } from '../assembly';
import {
  isObject,
  migrated,
  openDocument,
  readShape,
  type DocumentMigration,
  type Problem,
  type Result,
} from '../quantity';
import { situationSchema, SITUATION_VERSION, type Situation } from './situation';

/** The names of channels that were told apart by their place: by end, and by label where an end has several. */
function named(channels: readonly unknown[]): readonly unknown[] {
  const ends = channels.map((each) => (isObject(each) ? each['end'] : undefined));
  const used = new Set<string>();
  return channels.map((each, n) => {
    if (!isObject(each)) return each;
    const { path: _, sends, ...rest } = each;
    const end = String(each['end']);
    const several = ends.filter((other) => other === each['end']).length > 1;
    const label = typeof each['label'] === 'string' ? each['label'] : '';
    const wanted = several ? `${end}.${label === '' || used.has(`${end}.${label}`) ? n + 1 : label}` : end;
    used.add(wanted);
    return { name: wanted, ...rest, direction: sends === true ? 'sends' : 'receives' };
  });
}

/** One step for each version ever written. The first ones had none. */
export const SITUATION_MIGRATIONS: readonly DocumentMigration[] = [
  {
    from: 0,
    to: 1,
    name: 'channels and links by name in the place of their places in a list',
    up: (document) => {
      const { channels, links } = document;
      if (!Array.isArray(channels) || !Array.isArray(links)) return { ...document, version: 1 };
      const all = named(channels);
      const nameAt = (place: unknown): unknown => {
        const channel = typeof place === 'number' ? all[place] : undefined;
        return isObject(channel) ? channel['name'] : place;
      };
      return {
        ...document,
        version: 1,
        name: 'in use',
        channels: all,
        links: links.map((link: unknown) =>
          isObject(link) ? { out: nameAt(link['out']), in: nameAt(link['in']) } : link,
        ),
      };
    },
  },
  {
    from: 1,
    to: 2,
    name: 'links may say what their roles reach, and what is meant to be lost',
    up: (document) => ({ ...document, version: 2 }),
  },
  {
    from: 2,
    to: 3,
    name: 'a lead may live outdoors or in a vehicle',
    up: (document) => ({ ...document, version: 3 }),
  },
];

/** Brings a stored situation up to the version that is written today, without checking it. */
export const currentSituation = (document: unknown): unknown =>
  migrated(
    isObject(document) && document['version'] === undefined ? { ...document, version: 0 } : document,
    SITUATION_MIGRATIONS,
  );

/** What a shape check cannot see: channels of ends that the lead does not have, roles on absent contacts, links to absent channels. */
export function situationProblems(situation: Situation, assembly: Assembly): readonly Problem[] {
  const problems: Problem[] = [];
  const report = (code: string, says: string, path: string): void => void problems.push({ code, says, path });
  const names = new Set<string>();
  situation.channels.forEach((channel, n) => {
    const path = `channels[${n}]`;
    if (names.has(channel.name))
      report('situation.twice', `There are two channels called “${channel.name}”.`, `${path}.name`);
    names.add(channel.name);
    const end = endById(assembly, channel.end);
    if (!end) {
      report('situation.end', `The lead has no end “${channel.end}”.`, `${path}.end`);
      return;
    }
    const contacts = contactsOf(assembly, end);
    for (const [role, contact] of Object.entries(channel.roles))
      if (contact !== undefined && !contacts.includes(contact))
        report(
          'situation.contact',
          `End ${channel.end} has no contact “${contact}”: it has ${contacts.join(', ')}.`,
          `${path}.roles.${role}`,
        );
  });
  situation.links.forEach((link, n) => {
    for (const [side, direction] of [
      ['out', 'sends'],
      ['in', 'receives'],
    ] as const) {
      const channel = situation.channels.find((each) => each.name === link[side]);
      if (!channel) report('situation.link', `There is no channel “${link[side]}”.`, `links[${n}].${side}`);
      else if (channel.direction !== direction)
        report(
          'situation.direction',
          `“${link[side]}” ${channel.direction}: a link goes from what sends to what receives.`,
          `links[${n}].${side}`,
        );
    }
  });
  return problems;
}

/** Reads a situation for this lead: newer versions are refused, older ones migrated, then shape and references are checked. */
export function readSituation(document: unknown, assembly: Assembly): Result<Situation> {
  const opened = openDocument(document, {
    name: 'situation',
    version: SITUATION_VERSION,
    missing: 'What the ends meet is missing',
  });
  if (!opened.ok) return opened;
  const read = readShape(situationSchema, currentSituation(document));
  if (!read.ok) return read;
  const problems = situationProblems(read.value, assembly);
  return problems.length === 0 ? read : { ok: false, problems };
}
