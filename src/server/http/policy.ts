import { createHash } from 'node:crypto';

const INLINE = /<(script|style)(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/\1>/g;

/**
 * The security headers of a page. Nothing from anywhere else, nothing inline but what this page was sent with: the
 * few inline pieces by which the framework starts its islands are allowed by their hash.
 */
export function pagePolicy(html: string): Readonly<Record<string, string>> {
  const hashes = { script: new Set<string>(), style: new Set<string>() };
  for (const [, tag, text] of html.matchAll(INLINE))
    hashes[tag as 'script' | 'style'].add(
      `'sha256-${createHash('sha256')
        .update(text ?? '')
        .digest('base64')}'`,
    );
  const list = (kind: 'script' | 'style'): string => [`'self'`, ...hashes[kind]].join(' ');
  return {
    'content-security-policy': [
      `default-src 'self'`,
      `script-src ${list('script')}`,
      `style-src ${list('style')}`,
      `img-src 'self' data:`,
      `object-src 'none'`,
      `base-uri 'none'`,
      `form-action 'self'`,
      `frame-ancestors 'none'`,
    ].join('; '),
  };
}

/** Headers of every answer. */
export const COMMON_HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
};

/** Headers that a browser heeds only where it trusts the way: over plain http that is this machine alone. */
export const headersFor = (host: string | undefined): Readonly<Record<string, string>> =>
  /^(?:localhost|127\.0\.0\.1|\[::1\])(?::|$)/i.test(host ?? '')
    ? { ...COMMON_HEADERS, 'cross-origin-opener-policy': 'same-origin' }
    : COMMON_HEADERS;
