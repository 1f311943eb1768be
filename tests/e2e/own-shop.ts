import { type ChildProcess, spawn } from 'node:child_process';
import { createHmac } from 'node:crypto';
import { rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { storefront } from './shop';

/** Ports beside those of the shop that the other tests are made in. */
const first = Number(new URL(storefront).port) + 8;

/** A shop of one's own, begun from nothing by the same command that a person runs. */
export class OwnShop {
  readonly storefront = `http://127.0.0.1:${first}`;
  readonly admin = `http://127.0.0.1:${first + 1}`;
  private said = '';

  private constructor(private readonly running: ChildProcess) {
    for (const stream of [running.stdout, running.stderr]) stream?.on('data', (some) => (this.said += some));
  }

  static async begin(folder: string): Promise<OwnShop> {
    const { PATH = '', HOME = '' } = process.env;
    // What a try before this one left.
    rmSync(resolve(folder, 'own'), { recursive: true, force: true });
    const shop = new OwnShop(
      spawn(resolve('bin/start'), ['--empty'], {
        env: {
          PATH,
          HOME,
          LANTERN_VAR: folder,
          LANTERN_STOREFRONT_PORT: String(first),
          LANTERN_ADMIN_PORT: String(first + 1),
          LANTERN_DATABASE_PORT: String(first + 2),
        },
      }),
    );
    for (let wait = 0; !shop.said.includes('Ctrl-C ends it.'); wait += 1) {
      if (wait > 450 || shop.running.exitCode !== null) throw new Error(`The shop did not begin: ${shop.said}`);
      await new Promise((go) => setTimeout(go, 200));
    }
    return shop;
  }

  async end(): Promise<void> {
    const ended = new Promise((go) => this.running.once('exit', go));
    this.running.kill('SIGINT');
    await ended;
  }
}

/** What a device shows (RFC 6238), by an implementation of its own. */
export function codeOf(secret: string, at = Date.now()): string {
  const bits = [...secret.replace(/\s/g, '')]
    .map((letter) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(letter).toString(2).padStart(5, '0'))
    .join('');
  const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => Number.parseInt(byte, 2)));
  const step = Buffer.alloc(8);
  step.writeBigUInt64BE(BigInt(Math.floor(at / 30_000)));
  const hash = createHmac('sha1', key).update(step).digest();
  const offset = (hash[19] ?? 0) & 15;
  return String((hash.readUInt32BE(offset) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}
