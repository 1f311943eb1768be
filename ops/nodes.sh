#!/usr/bin/env bash
# Two nodes against one PostgreSQL, for tests: each nginx and php-fpm with caches of its own, one folder of uploads, and a balancer's name
# for both. Listens for a word a line, and says "ok" when it is done: shared (sessions and counts in Redis, the shop reading from a
# standby), primary-down, primary-up, redis-down, standby-late, standby-on-time, end.
#
#   ops/nodes.sh FOLDER FIRST-PORT SOURCE-DATABASE-URL SOURCE-FILES
set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$root"
base="$1" first="$2" source="$3" source_files="$4"
export LANTERN_VAR="$base"
. ops/lib.sh
database_port=$((first + 8)) standby_port=$((first + 9)) redis_port=$((first + 10))
storefront_port=$first admin_port=$((first + 1)) world_port='' postgres_options=(-c fsync=off -c full_page_writes=off -c wal_level=replica -c max_wal_senders=4 -c hot_standby=on)
declare -A fpm nginx
standby_pid='' redis_pid=''

leave() {
  trap - EXIT INT TERM
  set +e
  for node in a b; do kill -QUIT "${nginx[$node]:-}" 2>/dev/null; kill -TERM "${fpm[$node]:-}" 2>/dev/null; done
  [ -z "$redis_pid" ] || kill -TERM "$redis_pid" 2>/dev/null
  [ ! -d "$base/standby" ] || as_database_user "$(postgres_bin)/pg_ctl" -D "$base/standby" -m immediate stop >/dev/null 2>&1
  [ ! -d "$base/postgres" ] || as_database_user "$(postgres_bin)/pg_ctl" -D "$base/postgres" -m immediate stop >/dev/null 2>&1
  wait 2>/dev/null
}
trap leave EXIT
trap 'exit 130' INT TERM

# One pair of servers, with what both know alike and caches of its own.
node() {
  local name="$1" port="$2"
  local files="$base/files"
  LANTERN_VAR="$base/$name"
  mkdir -p "$LANTERN_VAR"
  cp -a "$base/secrets" "$LANTERN_VAR/"
  # Both answer under the name of the first, as behind a balancer.
  storefront_port=$first admin_port=$((first + 1))
  write_environment
  environment=("${environment[@]/#LANTERN_FILES=*/LANTERN_FILES=$files}")
  [ -z "$redis_pid" ] || environment+=("REDIS_URL=redis://127.0.0.1:$redis_port")
  if [ -n "$standby_pid" ]; then
    local reads="${of_the_shop[0]#DATABASE_URL=}"
    of_the_shop+=("DATABASE_READ_URL=${reads/:$database_port\//:$standby_port/}")
  fi
  build
  # Where it listens.
  storefront_port=$port admin_port=$((port + 1)) metrics_port=$((port + 4))
  mkdir -p "$LANTERN_VAR/run/nginx"
  write_server_configuration
  if is_root; then chown -R www-data: "$LANTERN_VAR/run/nginx" "$LANTERN_VAR/log" "$LANTERN_VAR/cache" "$files"; fi
  run_fpm; fpm[$name]=$fpm_pid
  local try
  for try in $(seq 50); do [ -S "$(socket_path shop)" ] && [ -S "$(socket_path management)" ] && break; sleep 0.1; done
  run_nginx; nginx[$name]=$nginx_pid
  for try in $(seq 50); do port_is_free "$((port + 1))" || break; sleep 0.1; done
}

both_nodes() { node a "$first"; node b "$((first + 2))"; LANTERN_VAR="$base"; }

end_nodes() {
  local name
  for name in a b; do kill -QUIT "${nginx[$name]}"; kill -TERM "${fpm[$name]}"; wait "${nginx[$name]}" "${fpm[$name]}" 2>/dev/null || true; done
}

run_standby() {
  mkdir -p "$base/standby"; chmod 700 "$base/standby"
  is_root && chown postgres: "$base/standby"
  as_database_user env PGPASSWORD="$(cat "$base/secrets/database")" "$(postgres_bin)/pg_basebackup" -h 127.0.0.1 -p "$database_port" -U lantern -D "$base/standby" -R -X stream -c fast >/dev/null 2>&1
  local command=("$(postgres_bin)/postgres" -D "$base/standby" -c listen_addresses=127.0.0.1 -c port="$standby_port" -c unix_socket_directories= -c max_connections=100)
  if is_root; then command=(runuser -u postgres -- "${command[@]}"); fi
  setsid "${command[@]}" >>"$base/log/standby.log" 2>&1 &
  standby_pid=$!
  ready "$standby_port"
}

run_redis() {
  redis-server --port "$redis_port" --bind 127.0.0.1 --save '' --appendonly no --dir "$base/run" >>"$base/log/redis.log" 2>&1 &
  redis_pid=$!
  local try
  for try in $(seq 50); do port_is_free "$redis_port" || return 0; sleep 0.1; done
  return 1
}

ready() {
  local try
  for try in $(seq 100); do "$(postgres_bin)/pg_isready" -q -h 127.0.0.1 -p "$1" && return 0; sleep 0.1; done
  return 1
}

on_standby() { PGPASSWORD=$(cat "$base/secrets/database") "$(postgres_bin)/psql" -qAt -h 127.0.0.1 -p "$standby_port" -U lantern -d lantern -c "$1" >/dev/null; }

mkdir -p "$base/log" "$base/run"
cp -a "$source_files" "$base/files"
write_environment
start_database >&2
"$(postgres_bin)/pg_dump" --no-owner --no-privileges "$source" | "$(postgres_bin)/psql" -q -h 127.0.0.1 -p "$database_port" -U lantern -d lantern >/dev/null
set -a; . "$base/environment"; set +a
bin/grants
unset DATABASE_URL
both_nodes >&2
echo ok
while read -r word; do
  case "$word" in
    shared)
      end_nodes; run_redis; run_standby >&2; both_nodes >&2 ;;
    primary-down) as_database_user "$(postgres_bin)/pg_ctl" -D "$base/postgres" -m immediate stop >/dev/null 2>&1 || true ;;
    primary-up) run_database; ready "$database_port" ;;
    redis-down) kill -TERM "$redis_pid"; wait "$redis_pid" 2>/dev/null || true ;;
    standby-late) on_standby 'SELECT pg_wal_replay_pause()' ;;
    standby-on-time) on_standby 'SELECT pg_wal_replay_resume()' ;;
    end) break ;;
    *) echo "unknown: $word"; continue ;;
  esac
  echo ok
done
