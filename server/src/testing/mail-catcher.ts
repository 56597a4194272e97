import type { AddressInfo } from 'node:net';
import { SMTPServer } from 'smtp-server';

/** What somebody was sent. */
export interface CaughtLetter {
  readonly to: readonly string[];
  readonly text: string;
}

/** A mail server that keeps every letter and delivers none. */
export class MailCatcher {
  readonly letters: CaughtLetter[] = [];
  /** It takes no letters while this is set. */
  isRefusing = false;
  private readonly server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onData: (stream, session, done) => {
      const parts: Buffer[] = [];
      stream.on('data', (part: Buffer) => parts.push(part));
      stream.on('end', () => {
        if (this.isRefusing) {
          done(new Error('Not now'));
          return;
        }
        // Lines that were too long for mail are put together again (quoted-printable, RFC 2045).
        const text = Buffer.concat(parts)
          .toString('utf8')
          .replaceAll(/=\r?\n/g, '')
          .replaceAll(/=([0-9A-F]{2})/g, (_, code: string) => String.fromCharCode(Number.parseInt(code, 16)));
        this.letters.push({ to: session.envelope.rcptTo.map(({ address }) => address), text });
        done();
      });
    },
  });

  /** @returns the address of the catcher, for LEVAMEN_SMTP */
  async open(): Promise<string> {
    await new Promise<void>((resolve) => this.server.listen(0, '127.0.0.1', resolve));
    const { port } = this.server.server.address() as AddressInfo;
    return `smtp://127.0.0.1:${port}`;
  }

  close(): Promise<void> {
    return new Promise((resolve) => this.server.close(() => resolve()));
  }
}
