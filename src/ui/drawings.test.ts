import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { leadFor } from '../../tests/support/leads';
import { connectorById } from '../core/catalogue';
import { drawEnd, faceOf, INSULATION, matingFace, pictureOf, stripOf } from '../core/drawing';
import { LeadStrip } from './LeadStrip';
import { Picture, type PictureProps } from './Picture';

const drawn = (patch = {}, end = 'A', more: Partial<PictureProps> = {}): string =>
  renderToStaticMarkup(
    createElement(Picture, {
      picture: drawEnd(leadFor(patch).assembly, end) ?? expect.fail(),
      says: `End ${end}`,
      ...more,
    }),
  );
const labels = (html: string): string[] =>
  [...html.matchAll(/aria-label="([^"]+)"/g)].map(([, label]) => label ?? '').slice(1);
const touch = { onLight: () => undefined };

describe('an end on the page', () => {
  it('every conductor can be touched and says where it goes', () => {
    expect(labels(drawn({}, 'A', touch)).sort()).toEqual(['black to A.3', 'screen to A.1', 'white to A.2']);
    expect(labels(drawn({}, 'B', touch)).sort()).toEqual(['black to B.3', 'screen to B.1', 'white to B.2']);
  });

  it('where things are taken in hand contacts can be too, each a button that says whether it is', () => {
    const html = drawn({}, 'A', { ...touch, onPick: () => undefined, picked: 'A.2' });
    expect(labels(html)).toEqual(expect.arrayContaining(['contact A.1', 'contact A.2', 'contact A.3']));
    expect(html.match(/role="button"/g)).toHaveLength(6);
    expect(html.match(/aria-pressed="true"/g)).toHaveLength(1);
  });

  it('a drawing that cannot be touched is one picture', () => {
    expect(drawn()).toContain('role="img"');
    expect(drawn()).not.toContain('tabindex');
  });

  it('insulation is drawn in its colour with its letters, the screen without', () => {
    const html = drawn();
    expect(html.match(/>WH</g)).toHaveLength(1);
    expect(html.match(/>BK</g)).toHaveLength(1);
    expect(html).toContain(INSULATION.WH);
  });

  it('a core that is cut back says so', () => {
    const patch = {
      from: { port: 'line-ground-referenced', family: 'xlr3' },
      to: { port: 'unbalanced-input', family: 'phono' },
    };
    expect(drawn(patch, 'A', touch)).toContain('black, cut back');
  });

  it('what is lit stands out: every other conductor is dimmed, and its letters', () => {
    const html = drawn({}, 'A', { ...touch, lit: new Set(['W1.white@a']) });
    // Screen and black, and the letters of black.
    expect(html.match(/class="[^"]*dim/g)).toHaveLength(3);
  });

  it('at the bench what is made is copper, what is at hand is ringed, what comes later is faint', () => {
    const html = drawn({}, 'A', { made: new Set(['joint-A-1']), now: 'joint-A-2' });
    expect(html.match(/var\(--copper\)/g)).toHaveLength(1);
    expect(html.match(/class="[^"]*now/g)).toHaveLength(1);
    expect(html.match(/class="[^"]*later/g)).toHaveLength(1);
  });
});

describe('an end at the meter', () => {
  const at = (patch: object, end: string, red: string, black: readonly string[]): string =>
    renderToStaticMarkup(
      createElement(Picture, {
        picture: pictureOf(matingFace(leadFor(patch).assembly, end) ?? expect.fail()),
        says: 'face',
        red: new Set([red]),
        black: new Set(black),
      }),
    );

  it('rings the contacts that the leads touch, the black one dashed, and the shell', () => {
    const html = at({}, 'A', 'A.shell', ['A.1', 'A.2']);
    expect(html.match(/stroke-dasharray/g)).toHaveLength(2);
    expect(html.match(/class="[^"]* [^"]*red/g)).toHaveLength(1);
  });

  it('fills the pieces of a plug that is seen from its side, and says it in words', () => {
    const phono = {
      from: { port: 'line-transformer', family: 'xlr3' },
      to: { port: 'unbalanced-input', family: 'phono' },
    };
    const html = at(phono, 'B', 'B.C', ['B.K']);
    expect(html).toContain('>C red<');
    expect(html).toContain('>K black<');
  });

  it('has the tip in front, then ring, then sleeve', () => {
    const html = renderToStaticMarkup(
      createElement(Picture, {
        picture: pictureOf(faceOf(connectorById('trs635-plug') ?? expect.fail(), 'mating')),
        says: 'plug',
      }),
    );
    const xs = Object.fromEntries(
      [...html.matchAll(/<text x="([-\d.]+)"[^>]*>(\w)</g)].map(([, x, name]) => [name ?? '', Number(x)]),
    );
    expect(xs['T']).toBeLessThan(xs['R'] ?? -99);
    expect(xs['R']).toBeLessThan(xs['S'] ?? -99);
  });
});

describe('the strip', () => {
  it('fills with copper as far as the work has come', () => {
    const strip = (done: number): string =>
      renderToStaticMarkup(createElement(LeadStrip, { strip: stripOf(leadFor().assembly), done }));
    expect(strip(0.5)).toContain('width="50%"');
    expect(strip(0)).toContain('width="0%"');
    expect(strip(1).match(/<svg/g)).toHaveLength(3);
  });
});

describe('the lead along the page', () => {
  const strip = (patch = {}): string =>
    renderToStaticMarkup(createElement(LeadStrip, { strip: stripOf(leadFor(patch).assembly), done: 0 }));
  const letters = (html: string): readonly string[] =>
    [...html.matchAll(/<text[^>]*>([A-Z]+)<\/text>/g)].map(([, letter]) => letter ?? '');
  const input = { port: 'microphone-input', family: 'xlr3' };

  it('one end on a side is drawn large and bears no letter', () => expect(letters(strip())).toEqual([]));

  it('several are stacked and lettered, and fan out to the cable', () => {
    const html = strip({ to: [input, input, input], cable: 'pair-mini' });
    expect(letters(html)).toEqual(['B', 'C', 'D']);
    expect(html.match(/class="[^"]*leg/g)).toHaveLength(3);
  });

  it('more than eight are counted', () => {
    const microphones = Array.from({ length: 12 }, () => ({ port: 'microphone', family: 'xlr3' }));
    const html = strip({
      from: microphones,
      to: Array.from({ length: 12 }, () => input),
      cable: 'multipair-12',
      surroundings: 'rack',
    });
    expect(letters(html)).toHaveLength(16);
    expect(html).toContain('and 8 more ends');
  });

  it('a box is a box, with its sockets in its walls', () => {
    const html = strip({
      form: 'box',
      from: { port: 'headphone-output', family: 'trs635' },
      to: { port: 'headphones', family: 'trs635' },
    });
    expect(html).toContain('data-colour="box"');
    expect(html.match(/<svg/g)).toHaveLength(3);
  });

  it('one plug alone has its outline and no jacket', () => {
    const html = strip({
      from: [],
      to: { port: 'microphone-input-phantom', family: 'xlr3' },
      form: 'plug',
    });
    expect(html).toContain('data-colour="none"');
    // Its outline, and the line that fills with copper.
    expect(html.match(/<svg/g)).toHaveLength(2);
  });
});
