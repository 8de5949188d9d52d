import { randomUUID } from 'node:crypto';
import { beforeAll, describe, expect, it } from 'vitest';
import type { BoardJob } from '../../src/server/board/service';
import type { Lead } from '../../src/core/lead';
import { openWindow } from '../support/browser';
import { PLAIN_INTENT } from '../support/intents';
import { oneWindow, running } from '../support/running';

const here = running();
let jobId: string;
beforeAll(async () => {
  jobId = ((await (await fetch(`${here.app.url}/api/board`)).json()) as BoardJob[])[0]?.id ?? '';
});

async function newLead(name: string, intent: Lead['intent'] = PLAIN_INTENT): Promise<string> {
  const id = randomUUID();
  expect((await here.app.send('POST', '/api/leads', { id, jobId, name, intent })).status).toBe(201);
  return id;
}
const revision = async (id: string): Promise<{ revision: number; name: string; lead: Lead }> =>
  (await (await fetch(`${here.app.url}/api/leads/${id}`)).json()) as {
    revision: number;
    name: string;
    lead: Lead;
  };

describe('what it is called', () => {
  it('says the lead, in the trade’s other words, and it is added as it stands', async () => {
    const { page, context } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/new?job=${jobId}`);
    const typed = page.getByLabel('What you call it', { exact: true });
    await typed.fill('xlr male to RCA');
    const first = page.getByRole('search', { name: 'By its name' }).getByRole('button').first();
    await expect.poll(() => first.innerText()).toContain('Phono to XLR plug');
    await typed.fill('nothing of the kind');
    await expect
      .poll(() => page.getByRole('status').allInnerTexts())
      .toContainEqual(expect.stringContaining('No lead is known by these words'));
    await typed.fill('double-Y');
    await expect.poll(() => first.innerText()).toContain('Chain split');
    await typed.press('Enter');
    await expect.poll(() => page.getByLabel('name of the lead').inputValue()).toBe('Chain split');
    expect(await page.getByLabel('length').inputValue()).toBe('500 mm');
    // What was taken is kept like what was typed.
    await page.reload();
    await expect.poll(() => page.getByLabel('name of the lead').inputValue()).toBe('Chain split');
    await page.getByRole('button', { name: 'Add it to the job' }).click();
    await page.waitForURL(/\/lead\/[0-9a-f-]+\/wiring/);
    const id = /lead\/([0-9a-f-]+)/.exec(page.url())?.[1] ?? '';
    expect((await revision(id)).lead.because.recipe?.id).toBe('chain-split');
    // The board finds it by a name that stands nowhere in it.
    const found = (await (await fetch(`${here.app.url}/api/board?find=W-lead`)).json()) as BoardJob[];
    expect(found.flatMap(({ leads }) => leads.map((lead) => lead.id))).toContain(id);
    await context.close();
  });
});

describe('wrong input', () => {
  const window = oneWindow(here);
  it('a lead with no name or no length is not added, says which, and loses nothing of what was typed', async () => {
    const { page, context } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/new?job=${jobId}`);
    await page.getByLabel('surroundings').selectOption('rack');
    await page.getByRole('button', { name: 'Add it to the job' }).click();
    await expect
      .poll(() => page.getByRole('alert').allInnerTexts())
      .toEqual(
        expect.arrayContaining([
          'The lead needs a name: what you would write on its tape.',
          expect.stringContaining('A length is needed'),
        ]),
      );
    await page.getByLabel('name of the lead').fill('Half typed');
    await page.getByLabel('length').fill('six metres');
    await page.reload();
    await page.getByLabel('name of the lead').waitFor();
    expect(await page.getByLabel('name of the lead').inputValue()).toBe('Half typed');
    expect(await page.getByLabel('length').inputValue()).toBe('six metres');
    expect(await page.getByLabel('surroundings').inputValue()).toBe('rack');
    await context.close();
  });

  it('of each length that is none it is said in its slot why, as it is typed; nothing of it is saved', async () => {
    const { page } = window;
    const id = await newLead('Lengths');
    await page.goto(`${here.app.url}/lead/${id}/intent`);
    for (const [typed, says] of [
      ['six m', 'is not a length'],
      ['-3 m', 'cannot be negative'],
      ['0 m', 'more than nothing'],
      ['3 in 2 ft', 'units out of order'],
      ['50 mm', 'shorter than 100 mm'],
      ['400 m', 'Longer than 300 m'],
    ] as const) {
      await page.getByLabel('length').fill(typed);
      await page.locator('[role=alert]').filter({ hasText: says }).first().waitFor();
      expect(await page.getByLabel('length').getAttribute('aria-invalid')).toBe('true');
    }
    await page.getByText('Kept in this window; saved as soon as it is whole.').waitFor();
    expect((await revision(id)).revision).toBe(1);
  });

  it.each([
    ['', 'A length is needed'],
    ['1,500 mm', 'can be read two ways'],
  ])('a length of “%s” is refused in its slot, kept as typed, and not saved', async (typed, says) => {
    const { page } = window;
    const id = await newLead('Length');
    await page.goto(`${here.app.url}/lead/${id}/intent`);
    await page.getByLabel('length').fill(typed);
    const alert = page.locator('[role=alert]').filter({ hasText: says });
    await alert.first().waitFor();
    expect(await page.getByLabel('length').getAttribute('aria-invalid')).toBe('true');
    await page.getByText('Kept in this window; saved as soon as it is whole.').waitFor();
    await page.reload();
    await page.getByLabel('length').waitFor();
    expect(await page.getByLabel('length').inputValue()).toBe(typed);
    expect((await revision(id)).revision).toBe(1);
    await page.getByLabel('length').fill('5 ft 7 1/2 in');
    await page.getByText('Saved, revision 2.').waitFor();
    expect((await revision(id)).lead.intent?.length?.mm).toBeCloseTo(1714.5, 6);
    // As it was typed, after a reload too, and on the lead with the other system beside it.
    await page.reload();
    expect(await page.getByLabel('length').inputValue()).toBe('5 ft 7 1/2 in');
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    await page
      .getByText(/5 ft 7 1\/2 in \(1\.71\d m\)/)
      .filter({ visible: true })
      .first()
      .waitFor();
  });

  it('a cable with too few cores is told at its slot when the other slots come to need two', async () => {
    const { page, context } = await openWindow(here.browser);
    const id = await newLead('Coax', {
      ...PLAIN_INTENT,
      from: [{ port: 'instrument', family: 'ts635' }],
      to: [{ port: 'instrument-input', family: 'ts635' }],
      cable: 'instrument-coax',
      length: { mm: 3000, datum: 'face' },
    });
    await page.goto(`${here.app.url}/lead/${id}/intent`);
    await page.getByLabel('destination', { exact: true }).selectOption('line-input');
    await page.locator('[role=alert]').filter({ hasText: 'needs two and a screen' }).first().waitFor();
    expect(await page.getByLabel('destination connector').inputValue()).toBe('xlr3');
    await expect
      .poll(() => page.locator('select[aria-label=cable] option[value=instrument-coax]').isDisabled())
      .toBe(true);
    await page.getByLabel('cable', { exact: true }).selectOption('pair-braid');
    await page.getByText('Saved, revision 2.').waitFor();
    await context.close();
  });

  it('a plug at an output is a stop with what to do, and doing it clears it; undo brings it back', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const id = await newLead('Backwards');
    await page.goto(`${here.app.url}/lead/${id}/intent`);
    await page.getByLabel('source plug or socket').selectOption('plug');
    await page.getByText('End A is a plug, but it meets an output').waitFor();
    await page.getByText('Saved, revision 2.').waitFor();
    await page.getByRole('button', { name: 'Make end A a socket' }).click();
    await page.getByText('Nothing against it').waitFor();
    await page.getByText('Saved, revision 3.').waitFor();
    await page.getByRole('link', { name: 'Antler' }).focus();
    await page.keyboard.press('Control+z');
    await page.getByText('End A is a plug').waitFor();
    await page.getByText('Saved, revision 4.').waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });

  it.each([
    ['port', { from: [{ port: 'kazoo', family: 'xlr3' }] }, 'intent.from[0].port'],
    ['connector', { to: [{ port: 'microphone-input', family: 'phono' }] }, 'intent.to[0].family'],
    ['gender', { from: [{ port: 'microphone', family: 'xlr3', gender: 'both' }] }, 'intent.from[0].gender'],
    ['datum', { length: { mm: 6000, datum: 'toe' } }, 'intent.length.datum'],
    ['surroundings', { surroundings: 'moon' }, 'intent.surroundings'],
    ['cable', { cable: 'rope' }, 'intent.cable'],
    [
      'cold leg',
      { to: [{ port: 'unbalanced-input', family: 'phono' }], choices: { cold: 'frozen' } },
      'intent.choices.cold',
    ],
  ])('a %s that no slot offers is refused by the server with its path', async (_, patch, path) => {
    const response = await here.app.send('POST', '/api/leads', {
      id: randomUUID(),
      jobId,
      name: 'x',
      intent: { ...PLAIN_INTENT, ...patch },
    });
    const body = (await response.json()) as { problems: { path: string; says: string }[] };
    expect(response.status).toBe(422);
    expect(body.problems.map((problem) => problem.path)).toContain(path);
  });
});

describe('a school', () => {
  it('changes the wiring at once and is kept with the lead', async () => {
    const { page, context } = await openWindow(here.browser);
    const id = await newLead('Schools');
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    await page.getByText('Which core is hot?').click();
    await page.getByRole('radio', { name: /the coloured core/ }).check();
    await page.getByLabel('black to A.2').filter({ visible: true }).waitFor();
    await page.getByText('Saved, revision 2.').waitFor();
    expect((await revision(id)).lead.intent?.schools).toEqual({ colour: 'coloured-hot' });
    await context.close();
  });

  it('stands aside where nothing in this lead hangs on it, as it is sent and as it is edited', async () => {
    const { page, context } = await openWindow(here.browser);
    const id = await newLead('Hangs');
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    const schools = page.getByRole('region', { name: 'Schools' });
    const aside = schools.locator('details', { hasText: 'Nothing in this lead hangs on these' });
    const hung = (question: string) => schools.getByText(question).and(page.locator(':visible'));
    const stands = async (): Promise<void> => {
      await hung('Which core is hot?').waitFor();
      await expect.poll(() => hung('What is done with the third strand').count()).toBe(0);
      expect(await aside.getByText('What is done with the third strand').count()).toBe(1);
      expect(await aside.getByText('Which core is hot?').count()).toBe(0);
    };
    await stands();
    await page.getByText('Is the connector shell joined to the screen?').click();
    await page.getByRole('radio', { name: /joined at both ends/ }).check();
    await page.getByText('Saved, revision 2.').waitFor();
    await stands();
    await page.reload();
    await stands();
    await context.close();
  });
});

/** One change by hand to a lead, what is then said of it, and the remedy that is offered. */
const WRONG: readonly (readonly [what: string, edit: Lead['edits'][number], says: RegExp, remedy: RegExp])[] =
  [
    [
      'two cores crossed',
      { kind: 'exchange', one: 'W1.white@b', other: 'W1.black@b' },
      /Hot and cold are exchanged between A and B/,
      /Exchange the (white|black) core at end B/,
    ],
    [
      'hot and screen crossed',
      { kind: 'exchange', one: 'W1.white@a', other: 'W1.screen@a' },
      /Hot and screen are exchanged/,
      /Exchange the (white core|screen) at end A/,
    ],
    [
      'a core that comes off',
      { kind: 'separate', terminals: ['W1.white@b'] },
      /The hot does not get from A to B/,
      /Join the white core at end B to B\.2/,
    ],
    [
      'a core in the wrong cup',
      { kind: 'move', terminal: 'W1.black@a', to: 'A.2' },
      /The cold of A gets to|The cold does not get from A to B|is shorted to/,
      /Move the black core at end A to A\.3|Part /,
    ],
    [
      'two cups bridged',
      { kind: 'join', terminals: ['B.2', 'B.3'], how: 'cup' },
      /is shorted to the cold of A/,
      /Part /,
    ],
    [
      'a leg on the shell',
      { kind: 'join', terminals: ['B.2', 'B.shell'], how: 'link' },
      /The shell of end B carries the hot/,
      /Part /,
    ],
    [
      'a shell joined that is to be open',
      { kind: 'join', terminals: ['A.1', 'A.shell'], how: 'link' },
      /The shell of end A is joined to A\.1/,
      /Part A\.shell from A\.1/,
    ],
    [
      'a screen that comes off',
      { kind: 'separate', terminals: ['W1.screen@b'] },
      /The screen does not get from A to B/,
      /Join the screen at end B to B\.1/,
    ],
  ];

describe('a wrong lead', () => {
  const window = oneWindow(here);
  it.each(WRONG)(
    '%s: it is said, it is shown where, and its remedy clears it',
    async (what, edit, says, remedy) => {
      const { page, troubles } = window;
      const id = await newLead(what);
      const put = { requestId: randomUUID(), base: 1, name: what, intent: PLAIN_INTENT, edits: [edit] };
      expect((await here.app.send('PUT', `/api/leads/${id}`, put)).status).toBe(200);
      await page.goto(`${here.app.url}/lead/${id}/wiring`);
      await page.getByText(says).first().waitFor();
      expect(await page.locator('tr[data-lit="true"]').count()).toBe(0);
      await page.getByRole('button', { name: 'Show where' }).first().click();
      await expect.poll(() => page.locator('tr[data-lit="true"]').count()).toBeGreaterThan(0);
      await page.getByRole('button', { name: remedy }).first().click();
      await page.getByText('Saved, revision 3.').waitFor();
      await expect.poll(() => page.getByText(says).count()).toBe(0);
      expect(await page.getByText('Nothing against it').count()).toBe(1);
      expect((await revision(id)).lead.edits).toHaveLength(2);
      expect(troubles).toEqual([]);
    },
  );

  it('one from a file without an intent is named, lit, and mended as it is', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const { intent: _, ...plain } = (await revision(await newLead('A plain one'))).lead;
    const crossed = (at: string): string =>
      at === 'W1.white@b' ? 'W1.black@b' : at === 'W1.black@b' ? 'W1.white@b' : at;
    const file = {
      ...plain,
      name: 'Found in the box',
      assembly: {
        ...plain.assembly,
        bodies: plain.assembly.bodies.map((body) => ({
          ...body,
          joints: body.joints.map((joint) => ({ ...joint, terminals: joint.terminals.map(crossed) })),
        })),
      },
    };
    const sent = await here.app.send('POST', `/api/jobs/${jobId}/import`, {
      requestId: randomUUID(),
      document: file,
    });
    expect(sent.status).toBe(201);
    const taken = (await sent.json()) as { readonly leads: readonly { readonly id: string }[] };
    const id = taken.leads[0]?.id ?? '';
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    await page
      .getByText(/Hot and cold are exchanged between A and B/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Show where' }).first().click();
    await expect.poll(() => page.locator('tr[data-lit="true"]').count()).toBeGreaterThan(1);
    await page.getByRole('button', { name: /^Exchange the/ }).click();
    await page.getByText('Saved, revision 2.').waitFor();
    await page.reload();
    await page.getByText('Nothing against it').waitFor();
    const { lead } = await revision(id);
    expect(lead.intent).toBeUndefined();
    expect(lead.edits.map((edit) => edit.kind)).toEqual(['exchange']);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('a change by hand', () => {
  it('a remedy that is one is carried out, kept, and taken back', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const id = await newLead('By hand');
    const joint = (await revision(id)).lead.assembly.bodies[0]?.joints.find((each) =>
      each.terminals.includes('A.2'),
    );
    const edits = [{ kind: 'remove-joint', joint: joint?.id }];
    const put = { requestId: randomUUID(), base: 1, name: 'By hand', intent: PLAIN_INTENT, edits };
    expect((await here.app.send('PUT', `/api/leads/${id}`, put)).status).toBe(200);
    await page.goto(`${here.app.url}/lead/${id}/wiring`);
    const byHand = page.getByRole('region', { name: 'Changed by hand' });
    await byHand
      .getByText(`The joint on ${(joint?.id ?? '').replace('joint-', '').replace('-', '.')} undone`)
      .waitFor();
    await page.getByText(/core at end A is neither joined nor cut back/).waitFor();
    await page.getByRole('button', { name: 'Cut it back' }).click();
    await page.getByText('Saved, revision 3.').waitFor();
    expect(await page.getByText(/neither joined nor cut back/).count()).toBe(0);
    expect((await revision(id)).lead.edits.map((edit) => edit.kind)).toEqual(['remove-joint', 'cut-back']);
    await page.reload();
    await byHand.getByRole('listitem').nth(1).waitFor();
    for (const left of [1, 0]) {
      await byHand.getByRole('button', { name: 'Take it back' }).last().click();
      await expect.poll(() => byHand.getByRole('listitem').count()).toBe(left);
    }
    // Two quick changes may be one revision.
    await expect.poll(async () => (await revision(id)).lead.edits, { timeout: 15_000 }).toEqual([]);
    const { lead } = await revision(id);
    expect(lead.assembly.bodies[0]?.joints).toContainEqual(joint);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('two windows on one lead', () => {
  it('the other sees a change within seconds', async () => {
    const id = await newLead('Shared');
    const [one, two] = [await openWindow(here.browser), await openWindow(here.browser)];
    for (const { page } of [one, two]) await page.goto(`${here.app.url}/lead/${id}/intent`);
    await two.page.getByLabel('length').waitFor();
    await one.page.getByLabel('length').fill('7.5 m');
    await one.page.getByText('Saved, revision 2.').waitFor();
    await expect.poll(() => two.page.getByLabel('length').inputValue(), { timeout: 15_000 }).toBe('7.5 m');
    await Promise.all([one.context.close(), two.context.close()]);
  });

  it.each(['mine', 'theirs'] as const)(
    'of two edits of one revision the second is shown both, and %s can be kept',
    async (whose) => {
      const id = await newLead('Fought over');
      const { page, context } = await openWindow(here.browser, { expectTrouble: true });
      await page.goto(`${here.app.url}/lead/${id}/intent`);
      await page.getByLabel('length').waitFor();
      // The other window's save lands while ours is on its way.
      await page.route('**/api/leads/*', async (route) => {
        if (route.request().method() === 'PUT' && (await revision(id)).revision === 1)
          await here.app.send('PUT', `/api/leads/${id}`, {
            requestId: randomUUID(),
            base: 1,
            name: 'Theirs',
            intent: { ...PLAIN_INTENT, length: { mm: 4000, datum: 'face' } },
          });
        await route.continue();
      });
      await page.getByLabel('length').fill('9 m');
      const conflict = page.getByRole('alert').filter({ hasText: 'changed in another window' });
      // Said at once; both sides stand below it as soon as their piece of the page is there.
      await expect.poll(() => conflict.innerText()).toMatch(/Theirs: .*4 m/);
      expect(await conflict.innerText()).toMatch(/Fought over: .*9 m/);
      await conflict
        .getByRole('button', { name: whose === 'mine' ? 'Keep mine on top' : 'Take theirs' })
        .click();
      await expect
        .poll(async () => (await revision(id)).lead.intent?.length?.mm)
        .toBe(whose === 'mine' ? 9000 : 4000);
      await page.getByText(`Saved, revision ${whose === 'mine' ? 3 : 2}.`).waitFor();
      expect(await page.getByLabel('length').inputValue()).toBe(whose === 'mine' ? '9 m' : '4 m');
      await context.close();
    },
  );

  it('quick edits in one window, one after the other, are never taken for another window’s', async () => {
    const id = await newLead('Quick');
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/${id}/intent`);
    await page.getByLabel('length').waitFor();
    await page.route('**/api/leads/*', async (route) => {
      if (route.request().method() === 'PUT') await new Promise((resolve) => setTimeout(resolve, 700));
      await route.continue();
    });
    for (const length of ['3 m', '4 m', '5 m', '8 m']) {
      await page.getByLabel('length').fill(length);
      await page.waitForTimeout(600);
    }
    await expect
      .poll(async () => (await revision(id)).lead.intent?.length?.mm, { timeout: 10_000 })
      .toBe(8000);
    expect(await page.getByText('changed in another window').count()).toBe(0);
    expect(troubles).toEqual([]);
    await context.close();
  });
});

describe('what it is made of', () => {
  const SPEAKER = {
    ...PLAIN_INTENT,
    from: [{ port: 'amplifier', family: 'twist2' }],
    to: [{ port: 'loudspeaker', family: 'twist2' }],
    length: { mm: 10_000, datum: 'face' },
  } as const;
  const open = ({ cable: _, ...rest }: Lead['intent'] & object): Lead['intent'] => rest;
  const cableOf = async (id: string): Promise<string | undefined> =>
    (await revision(id)).lead.assembly.spans[0]?.cable;

  it('a new loudspeaker lead starts in loudspeaker cable, with nothing to be said of it', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    await page.goto(`${here.app.url}/lead/new?job=${jobId}`);
    await page.getByLabel('source', { exact: true }).selectOption('amplifier');
    await page.getByLabel('destination', { exact: true }).selectOption('loudspeaker');
    await page.getByLabel('name of the lead').fill('Monitor, prompt side');
    await page.getByLabel('length').fill('5 m');
    const cable = page.locator('select[aria-label=cable]');
    await expect
      .poll(() => cable.evaluate((each: HTMLSelectElement) => each.selectedOptions[0]?.text))
      .toBe('loudspeaker cable, 2 × 1.5 mm² (chosen)');
    expect(await page.locator('[role=alert]').filter({ hasText: /\S/ }).count()).toBe(0);
    await page.getByRole('button', { name: 'Add it to the job' }).click();
    await page.waitForURL(/\/wiring$/);
    const id = /lead\/([^/]+)\//.exec(page.url())?.[1] ?? '';
    expect((await revision(id)).lead.intent).not.toHaveProperty('cable');
    expect(await cableOf(id)).toBe('loudspeaker-2x1-5');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('left open it is chosen anew as the length grows; another is one touch away, and so is leaving it open again', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const id = await newLead('Long monitor', open(SPEAKER));
    expect(await cableOf(id)).toBe('loudspeaker-2x1-5');
    await page.goto(`${here.app.url}/lead/${id}/intent`);
    await page.getByLabel('length').fill('40 m');
    await page.getByText('Saved, revision 2.').waitFor();
    expect(await cableOf(id)).toBe('loudspeaker-2x4');
    const made = page.getByRole('region', { name: 'What it is made of' });
    await made.getByText('Loudspeaker cable, 2 × 4 mm²', { exact: true }).click();
    await made.getByText(/Its copper is 0\.395 Ω, 4\.9 % of the load/).waitFor();
    // Why not this one: what it would lose.
    await made
      .getByText(/8\.0 % of the load: 0\.67 dB are lost, and the bass is loose/)
      .first()
      .waitFor();
    await made.getByRole('button', { name: 'Take Loudspeaker cable, 2 × 2.5 mm²', exact: true }).click();
    await page.getByText('Saved, revision 3.').waitFor();
    expect((await revision(id)).lead.intent?.cable).toBe('loudspeaker-2x2-5');
    await page.reload();
    expect(await page.getByLabel('cable', { exact: true }).inputValue()).toBe('loudspeaker-2x2-5');
    await made.getByText('Loudspeaker cable, 2 × 2.5 mm²', { exact: true }).first().click();
    await made.getByRole('button', { name: 'Leave it open' }).click();
    await page.getByText('Saved, revision 4.').waitFor();
    expect((await revision(id)).lead.intent).not.toHaveProperty('cable');
    expect(await cableOf(id)).toBe('loudspeaker-2x4');
    expect(troubles).toEqual([]);
    await context.close();
  });

  it('so with a connector: its reason, another, and back to the chosen one as plug or socket changes', async () => {
    const { page, context, troubles } = await openWindow(here.browser);
    const id = await newLead('In its case', {
      ...PLAIN_INTENT,
      from: [{ port: 'headphone-output', family: 'trs35' }],
      to: [{ port: 'stereo-input', family: 'trs35' }],
      cable: 'pair-mini',
      surroundings: 'studio',
    });
    const plugs = async (): Promise<unknown> =>
      (await revision(id)).lead.assembly.bodies.map(({ ends }) => ends[0]?.connector);
    expect(await plugs()).toEqual(['trs35-plug', 'trs35-plug']);
    await page.goto(`${here.app.url}/lead/${id}/intent`);
    const made = page.getByRole('region', { name: 'What it is made of' });
    await made.getByText(/^, the connector at end A that was chosen/).click();
    await made.getByText('It is for a device in a case, whose socket lies deep.').first().waitFor();
    await made.getByRole('button', { name: 'Take 3.5 mm TRS plug, long shoulder' }).first().click();
    await page.getByText('Saved, revision 2.').waitFor();
    expect(await plugs()).toEqual(['trs35-plug-long', 'trs35-plug']);
    await page.getByLabel('source plug or socket').selectOption('socket');
    await page.getByText('Saved, revision 3.').waitFor();
    expect(await plugs()).toEqual(['trs35-socket', 'trs35-plug']);
    expect(troubles).toEqual([]);
    await context.close();
  });
});
