import { spawn } from 'node:child_process';
import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { until } from './command.js';
import { freePort } from './free-port.js';

/** The name the program is opened under, as the proxy passes it on. */
export const proxiedName = 'levamen.test';

export interface Proxy {
  readonly url: string;
  close(): Promise<void>;
}

/**
 * An ordinary proxy in front of servers, in turn: nginx of Debian, with what `docs/company/nginx.conf` says, but for names and files.
 *
 * @param folder of its own
 * @param ports of the servers, on this machine
 */
export async function openProxy(folder: string, ports: readonly number[]): Promise<Proxy> {
  const program = process.env['LEVAMEN_NGINX'];
  if (!program) throw new Error('Run the server tests with ./levamen test: they need its proxy');
  const port = await freePort();
  await mkdir(join(folder, 'temporary'), { recursive: true });
  await mkdir(join(folder, 'logs'), { recursive: true });
  const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((name) => `${name}_temp_path temporary/${name};`)
    .join(' ');
  const conf = join(folder, 'nginx.conf');
  await writeFile(
    conf,
    `${process.getuid?.() === 0 ? 'user root root;' : ''}
daemon off; worker_processes 1; pid nginx.pid; error_log logs/error.log;
events {}
http {
  access_log off; ${temporary}
  upstream levamen {
    ${ports.map((one) => `server 127.0.0.1:${one} max_fails=1 fail_timeout=2s;`).join(' ')}
    keepalive 32;
  }
  server {
    listen 127.0.0.1:${port};
    client_max_body_size 30m;
    location / {
      proxy_pass http://levamen;
      proxy_http_version 1.1;
      proxy_set_header Connection "";
      proxy_set_header Host ${proxiedName};
      proxy_set_header X-Forwarded-Host ${proxiedName};
      proxy_set_header X-Forwarded-For $remote_addr;
      proxy_set_header X-Forwarded-Proto https;
      proxy_next_upstream error timeout http_503;
      proxy_next_upstream_tries 2;
      proxy_connect_timeout 2s;
    }
  }
}
`,
  );
  const child = spawn(program, ['-p', folder, '-c', conf, '-e', join(folder, 'logs/error.log')], {
    stdio: 'inherit',
  });
  const url = `http://127.0.0.1:${port}`;
  await until(async () => (await fetch(`${url}/api/health`).catch(() => null))?.ok ?? false);
  return {
    url,
    close: async () => {
      const gone = new Promise((resolve) => child.once('exit', resolve));
      child.kill('SIGTERM');
      await gone;
    },
  };
}
