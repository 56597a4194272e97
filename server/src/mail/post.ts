/** A letter without attachments. */
export interface Letter {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}

/** Sends letters. Rejects where the mail server does not take one. */
export interface Post {
  readonly send: (letter: Letter) => Promise<void>;
  /** Where people open the program, without a slash at the end: letters name it. */
  readonly address: string;
}

export interface MailSettings {
  /** smtp:// or smtps://, with name and password where the server asks for them. */
  readonly url: string;
  readonly from: string;
  readonly address: string;
}

/** How long a mail server may take, ms. */
const patienceMs = 15_000;

/** A post that hands letters to a mail server. */
export function makePost({ url, from, address }: MailSettings): Post {
  return {
    address,
    send: async (letter) => {
      // Fetched with the first letter: most installations send none.
      const { createTransport } = await import('nodemailer');
      const transport = createTransport(url, { from });
      try {
        await Promise.race([
          transport.sendMail(letter),
          new Promise((_, reject) =>
            setTimeout(() => reject(new Error('The mail server took too long')), patienceMs).unref(),
          ),
        ]);
      } finally {
        transport.close();
      }
    },
  };
}
