import { CABLES, CONNECTORS, PORTS, TAILS } from '../core/catalogue';
import { byName, netlist, spanLengths, type Assembly, type Terminal } from '../core/assembly';
import {
  deckText,
  logarithmic,
  operatingPoint,
  readDeck,
  solveDeck,
  sweeps,
  voltageVector,
} from '../core/circuit';
import { RULES } from '../core/findings';
import { lead as leadFrom, type WholeLead } from '../core/front';
import { assemblyIn, choicesFile, jsonSchemas, netlistFile } from '../core/formats';
import { describe, readHeld } from '../core/described';
import { courseHangsOn } from '../core/bench';
import { changedByHand, derive, hangingOn, mainUse, readEdits, schoolsOf, type Edit } from '../core/lead';
import { leadCircuit, resistances, type LeadCircuit } from '../core/model';
import { isObject } from '../core/quantity';
import { channelNamed, sayChannel, type Situation } from '../core/situation';
import { readIntent, readPreference, RECIPES, SCHOOLS, type Preference } from '../core/wiring';
import { bad, Bad, options } from './options';
import { PROBLEM_LISTS } from './problems';
import { meterCommand } from './meter';
import { PROVING } from './proving';
import { draw } from './drawing';
import { bench, heat } from './bench';
import { chain, kit, workbox } from './kit';
import { patch } from './patch';
import { sweep } from './sweep';
import { cut } from './stock';
import { leadIn, print, read, readText, unwrap } from './files';

const USAGE = `usage: antler derive INTENT.json [--house FILE]
                                     an intent → the lead, with its assembly
       antler choose INTENT.json [--house FILE]
                                     an intent → the cables and connectors it could be made of, best first, and why
       antler edit LEAD.json EDITS.json
                                     a lead and changes by hand → the lead; what lapsed stands in it, and is said
       antler describe CONTACTS.txt  ends, and which of their contacts meet → the recipe that it is, or the nearest
       antler draw LEAD.json [--end A] [--side solder|mating] [--hand left|right] [--turn 90] [--channel 3]
                             [--page a4|letter [--sheet N]]
                                     a lead → its ends as they lie in the hand, as SVG; on paper at true size
       antler check LEAD.json        a lead → what there is against it; exit 1 when something says stop
       antler netlist LEAD.json      a lead → its nets and parts
       antler kit LEAD.json [LEAD2.json …] [--count N] [--pairs] [--house FILE [--hourly M] [--bought M]]
                                     leads → what to lay out, to cut and to strip, what has to fit, and the tools; what each costs
       antler chain FILE             devices in their order → the lead of each hop, and one kit of them all
       antler workbox FILE           what may be needed, and what of it at once → the fewest adapters, and one kit of them all
       antler cut PROBLEM [--seconds S]
                                     what there is to cut from, and what is to be cut → the plan: fewest reels, least waste
       antler patch LINES            the lines of a stage and its inputs → where each goes: least harm, pairs together
       antler sweep [--supply P48] [--ohms 4700] [--forward 2] [--guard no]   what lamps and meter show for every fault of a line
       antler bench LEAD.json [--count N] [--set-up iron=90,…] [--schools hand=left,…]
                                     a lead → the course of work: its steps in their order, each with what it waits for, and why
       antler heat LEAD.json --joint ID [--watts N] [--setting °C] [--clip] [--melt S]
                                     a joint → tip, setting, how long, what gives way first, and the temperatures against time
       antler plan LEAD.json         a lead → its steps at the bench, and its probes
       antler proof LEAD.json        a lead → each probe, and what it should read
       antler prove LEAD.json [--fault ID | --built LEAD2 | --readings FILE] [--meter FILE] [--series END]
                                     a lead → what is asked of it, what was answered, and the verdict
       antler break READINGS [--lead LEAD.json] [--span W1] [--core white]
                                     what was read of a broken core → where it is, and what a repair leaves
       antler meter LEAD.json [--fault ID | --built LEAD2] [--port N] [--noise SHARE] [--bounce N] [--seed N]
                                     a stand-in for a meter that plugs in, on that lead; until it is stopped
       antler signal LEAD.json       a lead → what it does to its signal
       antler ohms LEAD.json A.2 B.2 what an ohmmeter reads between two contacts
       antler dc LEAD.json           a lead, plugged in with supplies on → V at every contact
       antler ac LEAD.json [FROM TO POINTS]  each channel driven alone, Hz → V at every input
       antler spice LEAD.json        a lead, plugged in → a SPICE deck, as text
       antler solve DECK.cir         a plain SPICE deck → what its .print cards name
       antler schools [LEAD.json]     where good builders differ; of a lead: its answers, and which it hangs on
       antler recipes | catalogue | schemas | problems | rules
A file name of - reads standard input. JSON goes to standard output, problems to standard error.
Exit 0: fine. 1: findings say stop. 2: bad input. 3: our own fault.
docs/formats.md describes the documents.`;

/** An intent by itself, or with a name and edits beside it; of a lead file, what it says of itself. */
function namedIntent(document: unknown): {
  readonly name: string;
  readonly intent: unknown;
  readonly edits: readonly Edit[];
} {
  if (!isObject(document)) throw bad('cli.intent', 'An intent is expected: a JSON object.');
  const { name, intent, edits } = document;
  if (!isObject(intent)) return { name: 'lead', intent: document, edits: [] };
  return {
    name: typeof name === 'string' ? name : 'lead',
    intent,
    edits: edits === undefined ? [] : unwrap(readEdits(edits)),
  };
}

/** A lead with what it is plugged into, its supplies on. */
function pluggedIn(document: unknown): {
  readonly lead: WholeLead['document'];
  readonly made: LeadCircuit;
  readonly situation: Situation;
} {
  const lead = leadIn(document).document;
  const situation = mainUse(lead);
  if (!situation)
    throw bad(
      'cli.situation',
      'This lead does not say what its ends meet: there is nothing to plug it into.',
      'situations',
    );
  const made = leadCircuit(lead.assembly, situation, {
    lengths: spanLengths(lead.assembly),
    supplies: true,
    groundVolts: situation.groundVolts ?? 0.1,
  });
  return { lead, made, situation };
}

const contactsOfLead = (lead: Assembly): readonly Terminal[] =>
  netlist(lead)
    .nets.flatMap((net) => net.contacts)
    .sort(byName);

/** A frequency or a count given on the command line; what is usual where none is. */
function numberOf(text: string | undefined, name: string, usual: number): number {
  if (text === undefined) return usual;
  const value = Number(text);
  if (!Number.isFinite(value) || value <= 0)
    throw bad('cli.number', `${name} is a number above 0, and “${text}” is not.`, name);
  return value;
}

/** What a workshop prefers and pays, from the file that is named; nothing where none is. */
function preferenceIn(words: readonly string[]): Preference {
  const { house } = options(words, ['house']);
  return house === undefined ? {} : unwrap(readPreference(read(house)));
}

const COMMANDS: Readonly<Record<string, (file: string | undefined, ...more: readonly string[]) => number>> = {
  ...PROVING,
  draw,
  derive(file, ...more) {
    const { name, intent, edits } = namedIntent(read(file));
    print(unwrap(leadFrom(intent, edits, name, preferenceIn(more))).document);
    return 0;
  },
  edit(file, changes) {
    const { document } = leadIn(read(file));
    const edits = [...document.edits, ...unwrap(readEdits(read(changes)))];
    const { intent, name } = document;
    const changed = unwrap(
      intent === undefined ? changedByHand(document, name, edits) : derive(intent, edits, name),
    );
    for (const { edit, says } of changed.because.lapsed) process.stderr.write(`edits[${edit}]: ${says}\n`);
    print(changed);
    return 0;
  },
  describe(file) {
    print(unwrap(describe(unwrap(readHeld(readText(file))))));
    return 0;
  },
  choose(file, ...more) {
    const { intent } = namedIntent(read(file));
    print(choicesFile(unwrap(readIntent(intent)), preferenceIn(more)));
    return 0;
  },
  check(file) {
    const found = leadIn(read(file)).check();
    print({ findings: found });
    return found.some((finding) => finding.severity === 'stop') ? 1 : 0;
  },
  patch,
  sweep,
  bench,
  heat,
  kit,
  chain,
  workbox,
  cut,
  signal(file) {
    print(unwrap(leadIn(read(file)).signal()));
    return 0;
  },
  plan(file) {
    print(leadIn(read(file)).plan());
    return 0;
  },
  netlist(file) {
    print(netlistFile(unwrap(assemblyIn(read(file)))));
    return 0;
  },
  ohms(file, ...contacts) {
    const lead = unwrap(assemblyIn(read(file)));
    const known = contactsOfLead(lead);
    const [a, b] = [0, 1].map((n) => {
      const contact = contacts[n];
      if (contact !== undefined && known.includes(contact)) return contact;
      throw bad(
        'cli.contact',
        `Name two contacts of the lead, such as ${known.slice(0, 2).join(' ')}; it has ${known.join(', ')}.`,
        n === 0 ? 'from' : 'to',
      );
    });
    const ohms = resistances(lead, { lengths: spanLengths(lead) })(a ?? '', b ?? '');
    print({ from: a, to: b, ohms: Number.isFinite(ohms) ? ohms : null, open: !Number.isFinite(ohms) });
    return 0;
  },
  dc(file) {
    const { lead, made } = pluggedIn(read(file));
    const at = unwrap(operatingPoint(made.circuit));
    print({
      volts: Object.fromEntries(
        contactsOfLead(lead.assembly).map((contact) => [contact, at.voltage(made.node(contact))]),
      ),
      residual: at.residual,
    });
    return 0;
  },
  ac(file, from, to, points) {
    const { made, situation } = pluggedIn(read(file));
    const frequencies = logarithmic(
      numberOf(from, 'from', 10),
      numberOf(to, 'to', 100_000),
      Math.round(numberOf(points, 'points', 241)),
    );
    const found = unwrap(
      sweeps(
        made.circuit,
        frequencies,
        made.driven.map((each) => each.source),
      ),
    );
    const name = (channel: string): string => {
      const found = channelNamed(situation, channel);
      return found ? sayChannel(found) : channel;
    };
    print({
      frequency: frequencies,
      driven: made.driven.map((drive, n) => ({
        channel: name(drive.channel),
        volts: drive.volts,
        at: Object.fromEntries(
          made.heard.map(({ channel, between }) => {
            const { re, im } = found[n]?.voltage(...between) ?? { re: [], im: [] };
            return [
              name(channel),
              { re: Array.from(re, (v) => v * drive.volts), im: Array.from(im, (v) => v * drive.volts) },
            ];
          }),
        ),
      })),
    });
    return 0;
  },
  spice(file) {
    const { made, lead } = pluggedIn(read(file));
    const { name } = lead;
    const heard = made.heard.map(({ between }) => voltageVector(...between));
    process.stdout.write(
      deckText({
        title: name,
        circuit: made.circuit,
        op: true,
        ac: { spacing: 'dec', points: 60, from: 10, to: 100_000 },
        print: { op: heard, ac: heard },
      }),
    );
    return 0;
  },
  solve(file) {
    print(unwrap(solveDeck(unwrap(readDeck(readText(file))))));
    return 0;
  },
  recipes() {
    print(RECIPES.map(({ id, name, source }) => ({ id, name, source })));
    return 0;
  },
  schools(file) {
    if (file === undefined) print(SCHOOLS);
    else {
      const lead = leadIn(read(file)).document;
      const hangs = [...hangingOn(lead), ...courseHangsOn(lead)];
      const answers = schoolsOf(lead);
      print(
        SCHOOLS.map((school) => ({
          ...school,
          answer: answers[school.id],
          // Of one that decides about words and lengths it is not asked: they are everywhere.
          ...((school.decides === 'wiring' || school.decides === 'bench') && {
            hangs: hangs.includes(school.id),
          }),
        })),
      );
    }
    return 0;
  },
  rules() {
    print(RULES.map(({ id, what, source }) => ({ id, what, source })));
    return 0;
  },
  problems() {
    print(PROBLEM_LISTS);
    return 0;
  },
  schemas() {
    print(jsonSchemas());
    return 0;
  },
  catalogue() {
    print({
      connectors: CONNECTORS,
      tails: Object.entries(TAILS).map(([id, tail]) => ({ id, ...tail })),
      cables: CABLES,
      ports: PORTS,
    });
    return 0;
  },
};

async function main([command = '', file, ...more]: readonly string[]): Promise<number> {
  const run = command === 'meter' ? undefined : COMMANDS[command];
  if (!run && command !== 'meter') {
    console.error(USAGE);
    return command === 'help' || command === '--help' ? 0 : 2;
  }
  try {
    return run ? run(file, ...more) : await meterCommand(file, more);
  } catch (error) {
    if (!(error instanceof Bad)) {
      console.error(
        `Antler failed on this, and should not have: ${error instanceof Error ? error.message : String(error)} (cli.fault)`,
      );
      return 3;
    }
    for (const { code, says, path } of error.problems)
      console.error(path === '' ? `${says} (${code})` : `${path}: ${says} (${code})`);
    return 2;
  }
}

process.exitCode = await main(process.argv.slice(2));
