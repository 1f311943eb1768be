import { execFileSync } from 'node:child_process';
import { existsSync, renameSync } from 'node:fs';

const asked = (name: string): string => process.env[name] ?? '';

/** PostgreSQL turns this shop away, and ends what it had open with it. The answer brings it back. */
export function databaseAway(): () => void {
  const { hostname, port, username, password, pathname } = new URL(asked('DATABASE_URL'));
  const name = pathname.slice(1);
  const say = (...statements: string[]) =>
    execFileSync(
      'psql',
      ['-qAt', '-h', hostname, '-p', port, '-U', username, '-d', 'postgres', ...statements.flatMap((one) => ['-c', one])],
      {
        env: { ...process.env, PGPASSWORD: password },
      },
    );
  say(`ALTER DATABASE ${name} ALLOW_CONNECTIONS false`, `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '${name}'`);
  return () => void say(`ALTER DATABASE ${name} ALLOW_CONNECTIONS true`);
}

/** nginx finds nobody who runs PHP for the management interface. The answer brings it back. */
export function phpAway(): () => void {
  const sockets = [
    `${asked('LANTERN_VAR')}/run/management.sock`,
    `/tmp/lantern-${new URL(asked('LANTERN_STOREFRONT_URL')).port}-management.sock`,
  ];
  const socket = sockets.find(existsSync) ?? '';
  renameSync(socket, `${socket}.away`);
  return () => renameSync(`${socket}.away`, socket);
}
