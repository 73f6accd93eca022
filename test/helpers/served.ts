import { type ChildProcess, spawn } from 'node:child_process';
import { join } from 'node:path';
import { createServer } from 'node:net';
import { afterAll } from '@jest/globals';
import { folderWith, put } from './site.ts';

const started: ChildProcess[] = [];
afterAll(() => {
  for (const one of started) one.kill();
});

/** An ordinary web server (nginx) for a folder, which fills in what pages include. @returns its address, without a `/` at the end */
export async function served(root: string, base = '/'): Promise<string> {
  const port = await freePort();
  const folder = folderWith({});
  const where = base === '/' ? `root ${root};` : `alias ${root}/;`;
  put(folder, {
    'nginx.conf': `daemon off; pid ${folder}/pid; error_log ${folder}/error.log; worker_processes 1; user root;
events {}
http {
  access_log off; include /etc/nginx/mime.types; client_body_temp_path ${folder}; proxy_temp_path ${folder};
  fastcgi_temp_path ${folder}; uwsgi_temp_path ${folder}; scgi_temp_path ${folder};
  server { listen 127.0.0.1:${port}; ssi on; location ${base} { ${where} index index.html; } }
}
`,
  });
  const server = spawn('nginx', ['-e', join(folder, 'error.log'), '-c', join(folder, 'nginx.conf')], {
    stdio: 'ignore',
  });
  started.push(server);
  const address = `http://127.0.0.1:${port}`;
  await answered(address);
  return address;
}

async function answered(address: string): Promise<void> {
  for (const until = Date.now() + 30_000; ; await new Promise(done => setTimeout(done, 30))) {
    try {
      await fetch(address);
      return;
    } catch (error) {
      if (Date.now() > until) throw error;
    }
  }
}

function freePort(): Promise<number> {
  return new Promise(done => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => {
        done(port);
      });
    });
  });
}
