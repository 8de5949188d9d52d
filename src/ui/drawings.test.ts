import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { leadFor } from '../../tests/support/leads';
import { sideFace } from '../core/drawing';
import { peel, stripOf } from '../core/drawing';
import { COLOUR_CODES, connectorById } from '../core/catalogue';
import { INSULATION, isDark } from './insulation';
import { LeadStrip } from './LeadStrip';
import { PeeledEnd } from './PeeledEnd';
import { PeeledEnds } from './PeeledEnds';
import { SideFace } from './SideFace';

const ends = (side: 'solder' | 'mating', lightable = true, patch = {}): string =>
  renderToStaticMarkup(
    createElement(PeeledEnds, {
      assembly: leadFor(patch).assembly,
      side,
      length: '6 m',
      order: { A: ['joint-A-1', 'joint-A-2', 'joint-A-3'], B: [] },
      stripMm: { A: 22, B: 22 },
      says: { A: 'socket', B: 'plug' },
      ...(lightable ? { onLight: () => undefined } : {}),
    }),
  );

describe('both ends peeled', () => {
  it('every conductor can be touched and says where it goes, at both ends', () => {
    const labels = [...ends('solder').matchAll(/aria-label="([^"]+)"/g)].map(([, label]) => label);
    expect(labels.slice(1).sort()).toEqual([
      'black to A.3',
      'black to B.3',
      'screen to A.1',
      'screen to B.1',
      'white to A.2',
      'white to B.2',
    ]);
  });

  it('a drawing that cannot be touched is one picture', () => {
    expect(ends('solder', false)).toContain('role="img"');
    expect(ends('solder', false)).not.toContain('tabindex');
  });

  it('insulation is drawn in its colour with its letters, the screen without', () => {
    const drawn = ends('solder');
    expect(drawn.match(/>WH</g)).toHaveLength(2);
    expect(drawn.match(/>BK</g)).toHaveLength(2);
    expect(drawn).toContain(INSULATION.WH);
  });

  it('a core that is cut back says so', () => {
    expect(
      ends('solder', true, {
        from: { port: 'line-ground-referenced', family: 'xlr3' },
        to: { port: 'unbalanced-input', family: 'phono' },
      }),
    ).toContain('black, cut back');
  });

  it('from the front a phono plug is seen from its side', () => {
    const drawn = ends('mating', true, {
      from: { port: 'line-transformer', family: 'xlr3' },
      to: { port: 'unbalanced-input', family: 'phono' },
    });
    expect(drawn).toMatch(/>C</);
    expect(drawn).toMatch(/>K</);
  });
});

describe('one end', () => {
  const drawn = peel(leadFor().assembly, 'A', { side: 'mating' });

  it('rings the contacts that the meter’s leads touch, the black one dashed, and the shell', () => {
    if (!drawn) return expect.fail();
    const markup = renderToStaticMarkup(
      createElement(PeeledEnd, {
        drawn,
        x: 0,
        y: 0,
        jacket: 0,
        red: new Set(['A.shell']),
        black: new Set(['A.1', 'A.2']),
      }),
    );
    expect(markup.match(/stroke-dasharray/g)).toHaveLength(2);
  });
});

describe('a plug from its side', () => {
  const face = sideFace(connectorById('trs635-plug') ?? expect.fail()) ?? [];
  const xs = (flip: boolean): Record<string, number> => {
    const markup = renderToStaticMarkup(
      createElement(SideFace, {
        end: 'A',
        face,
        x: 0,
        y: 0,
        width: 20,
        flip,
        red: new Set(['A.T']),
        black: new Set(['A.S']),
      }),
    );
    return Object.fromEntries(
      [...markup.matchAll(/<text x="([-\d.]+)"[^>]*>(\w)/g)].map(([, x, contact]) => [
        contact ?? '',
        Number(x),
      ]),
    );
  };

  it('has the tip in front, then ring, then sleeve; flipped, the other way', () => {
    const plain = xs(false);
    expect(plain['T']).toBeLessThan(plain['R'] ?? 0);
    expect(plain['R']).toBeLessThan(plain['S'] ?? 0);
    for (const [contact, x] of Object.entries(xs(true))) expect(x).toBeCloseTo(-(plain[contact] ?? 0), 9);
  });

  it('says which lead of the meter is on which contact, in words too', () => {
    const markup = renderToStaticMarkup(
      createElement(SideFace, {
        end: 'A',
        face,
        x: 0,
        y: 0,
        width: 20,
        red: new Set(['A.T']),
        black: new Set(['A.S']),
      }),
    );
    expect(markup).toContain('T red');
    expect(markup).toContain('S black');
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

describe('insulation', () => {
  it('every letter code has its colour; letters on it stand out (WCAG contrast of large text, 3 : 1)', () => {
    const luminance = (hex: string): number => {
      const [r = 0, g = 0, b = 0] = [1, 3, 5].map((n) => {
        const c = Number.parseInt(hex.slice(n, n + 2), 16) / 255;
        return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
      });
      return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    };
    const contrast = (a: string, b: string): number => {
      const [high = 0, low = 0] = [luminance(a), luminance(b)].sort((x, y) => y - x);
      return (high + 0.05) / (low + 0.05);
    };
    for (const code of COLOUR_CODES)
      expect(contrast(INSULATION[code], isDark(code) ? '#ffffff' : '#1c1a17'), code).toBeGreaterThan(3);
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
