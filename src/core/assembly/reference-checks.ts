import type { Problem } from '../quantity';
import type { Assembly, Body } from './assembly';
import { bodyById, cableOf, connectorOf, endById, jointsOf, placeOf, spansAt } from './references';

type Report = (code: string, says: string, path: string) => void;

/** Names that refer to nothing, twice-used ids, joints that reach out of their body: what a shape check cannot see. */
export function referenceProblems(assembly: Assembly): Problem[] {
  const problems: Problem[] = [];
  const report: Report = (code, says, path) => void problems.push({ code, says, path });
  const ids = new Set<string>();
  const claim = (id: string, path: string): void => {
    if (ids.has(id))
      report(
        'reference.twice',
        `“${id}” is used for two things: every body, end, part and span needs its own id.`,
        path,
      );
    ids.add(id);
  };
  bodyReferences(assembly, claim, report);
  spanReferences(assembly, claim, report);
  unjoinedReferences(assembly, report);
  dressingReferences(assembly, ids, report);
  lengthReferences(assembly, report);
  return problems;
}

function bodyReferences(assembly: Assembly, claim: (id: string, path: string) => void, report: Report): void {
  const jointIds = new Set<string>();
  assembly.bodies.forEach((body, b) => {
    const at = `bodies[${b}]`;
    claim(body.id, `${at}.id`);
    body.ends.forEach((end, e) => {
      claim(end.id, `${at}.ends[${e}].id`);
      if (end.connector && !connectorOf(assembly, end))
        report(
          'reference.connector',
          `“${end.connector}” is not among the connectors that this lead carries in uses.connectors.`,
          `${at}.ends[${e}].connector`,
        );
    });
    body.parts.forEach((part, p) => claim(part.id, `${at}.parts[${p}].id`));
    body.entries.forEach((entry, n) =>
      entry.spans.forEach((span) => {
        if (!spansAt(assembly, body.id).some((each) => each.id === span))
          report(
            'reference.span',
            `Span “${span}” does not come to ${body.id}.`,
            `${at}.entries[${n}].spans`,
          );
      }),
    );
    jointReferences(assembly, body, at, jointIds, report);
  });
}

function jointReferences(
  assembly: Assembly,
  body: Body,
  at: string,
  jointIds: Set<string>,
  report: Report,
): void {
  (['joints', 'existing'] as const).forEach((list) =>
    (body[list] ?? []).forEach((joint, j) => {
      const path = `${at}.${list}[${j}]`;
      if (jointIds.has(joint.id))
        report('reference.twice', `Joint “${joint.id}” is there twice.`, `${path}.id`);
      jointIds.add(joint.id);
      joint.terminals.forEach((terminal, t) => {
        const place = placeOf(assembly, terminal);
        if (!place)
          report(
            'reference.terminal',
            `“${terminal}” is no terminal of this lead.`,
            `${path}.terminals[${t}]`,
          );
        else if (place.body.id !== body.id)
          report(
            'reference.elsewhere',
            `“${terminal}” is in ${place.body.id}, so it cannot be joined in ${body.id}.`,
            `${path}.terminals[${t}]`,
          );
      });
    }),
  );
}

function spanReferences(assembly: Assembly, claim: (id: string, path: string) => void, report: Report): void {
  assembly.spans.forEach((span, s) => {
    const at = `spans[${s}]`;
    claim(span.id, `${at}.id`);
    const cable = cableOf(assembly, span);
    if (!cable)
      report(
        'reference.cable',
        `“${span.cable}” is not among the cables that this lead carries in uses.cables.`,
        `${at}.cable`,
      );
    for (const side of ['from', 'to'] as const)
      if (!bodyById(assembly, span[side]))
        report('reference.body', `There is no body “${span[side]}”.`, `${at}.${side}`);
    if (span.from === span.to) report('reference.loop', 'A span must go from one body to another.', at);
    for (const id of span.carries ?? [])
      if (cable && !cable.conductors.some((c) => c.id === id))
        report('reference.conductor', `${cable.name} has no conductor “${id}”.`, `${at}.carries`);
  });
}

function unjoinedReferences(assembly: Assembly, report: Report): void {
  assembly.unjoined.forEach((each, u) => {
    if (placeOf(assembly, each.at)?.kind !== 'conductor')
      report('reference.terminal', `“${each.at}” is no conductor of this lead.`, `unjoined[${u}].at`);
    else if (
      assembly.bodies.some((body) => jointsOf(body).some((joint) => joint.terminals.includes(each.at)))
    )
      report(
        'reference.joined',
        `“${each.at}” is in a joint, so it cannot be ${each.is} as well.`,
        `unjoined[${u}]`,
      );
  });
}

function dressingReferences(assembly: Assembly, ids: ReadonlySet<string>, report: Report): void {
  assembly.dressings.forEach((dressing, d) => {
    const { over, at } = dressing;
    const joint = assembly.bodies.some((body) => jointsOf(body).some((each) => each.id === over));
    if (!joint && !ids.has(over) && !placeOf(assembly, over))
      report(
        'reference.dressing',
        `There is nothing called “${over}” to put it over.`,
        `dressings[${d}].over`,
      );
    if (at !== undefined && !bodyById(assembly, at))
      report('reference.body', `There is no body “${at}”.`, `dressings[${d}].at`);
  });
}

function lengthReferences(assembly: Assembly, report: Report): void {
  assembly.lengths.forEach((length, l) => {
    for (const side of ['from', 'to'] as const)
      if (!endById(assembly, length[side]) && !bodyById(assembly, length[side]))
        report('reference.length', `There is no end or body “${length[side]}”.`, `lengths[${l}].${side}`);
  });
}
