import { type Session, sessionSchema, tokenHeader } from '@levamen/core/api';
import type { TestApp } from './test-app.js';

type Visitor = ReturnType<TestApp['visitor']>;

/** Somebody at a browser of his own. */
export class Someone {
  private token = '';

  constructor(readonly visitor: Visitor) {}

  async session(): Promise<Session> {
    const session = sessionSchema.parse((await this.visitor.get('/api/session').expect(200)).body);
    this.token = session.state === 'signed-in' ? session.token : '';
    return session;
  }

  get(path: string) {
    return this.visitor.get(path);
  }

  send(method: 'post' | 'put' | 'delete', path: string, body?: object) {
    const asked = this.visitor[method](path).set(tokenHeader, this.token);
    return body === undefined ? asked : asked.send(body);
  }

  /** Enters as the owner of a new installation: Ada of Hill Electric. */
  async setUp(): Promise<this> {
    await this.send('post', '/api/session/setup', {
      company: 'Hill Electric',
      name: 'Ada',
      email: 'ada@example.org',
      password: goodPassword,
    }).expect(201);
    await this.session();
    return this;
  }

  /** Joins by a link, under a new account. */
  async join(path: string, name: string, password: string): Promise<void> {
    await this.send('post', path.replace('/join/', '/api/session/join/'), { name, password }).expect(201);
    await this.session();
  }

  async signIn(email: string, password: string, status = 201): Promise<void> {
    await this.send('post', '/api/session', { email, password }).expect(status);
    await this.session();
  }
}

export const goodPassword = 'meadow harbour kettle nine';
