import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto';

/** How long a code may be used, ms, and how often somebody may get it wrong. */
export const CODE_LIVES = 10 * 60_000;
export const MOST_TRIES = 5;

export type PairAnswer = { ok: true; token: string } | { ok: false; why: string };

const hash = (text: string): Buffer => createHash('sha256').update(text).digest();

/**
 * Who may come in from the local network: whoever typed the code that the host's terminal shows. A code is of eight
 * digits, is used once, ends after ten minutes, and is void after five wrong ones. Nothing of it outlives the process.
 */
export class Pairing {
  private code: { digest: Buffer; until: number; tries: number } | null = null;
  private readonly tokens: Buffer[] = [];

  constructor(private readonly now: () => number = Date.now) {}

  /** Makes a new code; the one before is void. */
  newCode(): string {
    const code = String(randomInt(0, 100_000_000)).padStart(8, '0');
    this.code = { digest: hash(code), until: this.now() + CODE_LIVES, tries: 0 };
    return code;
  }

  /** Whether a code can still be used. */
  get waits(): boolean {
    return this.code !== null && this.now() < this.code.until;
  }

  /** Takes a code for a token that lets whoever has it in. */
  pair(given: string): PairAnswer {
    const { code } = this;
    const again = 'Press Enter in the terminal that Havrik runs in: it shows a new one.';
    if (!code || this.now() >= code.until) {
      this.code = null;
      return { ok: false, why: `No code is open. ${again}` };
    }
    const digits = given.replace(/\D/gu, '');
    if (!timingSafeEqual(hash(digits), code.digest)) {
      code.tries++;
      if (code.tries < MOST_TRIES)
        return {
          ok: false,
          why: `That is not the code. ${MOST_TRIES - code.tries} tries are left.`,
        };
      this.code = null;
      return { ok: false, why: `That was not the code, too often. ${again}` };
    }
    this.code = null;
    const token = randomBytes(32).toString('base64url');
    this.tokens.push(hash(token));
    return { ok: true, token };
  }

  /** Whether a token was given by this process. */
  knows(token: string | undefined): boolean {
    if (token === undefined) return false;
    const digest = hash(token);
    return this.tokens.some((known) => timingSafeEqual(known, digest));
  }
}
