# What bin/backup and bin/restore share: where the shop of this machine is. Sourced, with `root` set to the checkout.

say() { printf '%s\n' "$*" >&2; }
die() { printf '%s\n' "$*" >&2; exit 1; }

LANTERN_VAR="${LANTERN_VAR:-$root/var}"
# The environment of the servers, unless whoever asks brought one.
if [ -z "${DATABASE_URL:-}" ] && [ -r "$LANTERN_VAR/environment" ]; then set -a; . "$LANTERN_VAR/environment"; set +a; fi
[ -n "${DATABASE_URL:-}" ] || die "Which shop? Set DATABASE_URL and LANTERN_FILES, or LANTERN_VAR where bin/start keeps its state."
files="${LANTERN_FILES:-$LANTERN_VAR/files}"
# Whoever owns the tables, where the servers work as somebody who may less.
url="${LANTERN_OWNER_DATABASE_URL:-$DATABASE_URL}"
postgres_tools=$(for dir in /usr/lib/postgresql/*/bin; do [ -x "$dir/pg_dump" ] && echo "$dir"; done | tail -n 1)
export PATH="${postgres_tools:+$postgres_tools:}$PATH"

# What libpq does not know in the URL is left out.
url="${url%%\?*}"
whole_url="$url"
# A password on a command line is read by everybody who looks at the processes: it goes by the environment, which only this user has.
if [[ "$url" =~ ^([a-z]+://[^:@/]+):([^@]*)@(.*)$ ]]; then
  url="${BASH_REMATCH[1]}@${BASH_REMATCH[3]}"
  PGPASSWORD=$(printf '%b' "${BASH_REMATCH[2]//%/\\x}")
  export PGPASSWORD
fi
in_database() { psql -qAtX -v ON_ERROR_STOP=1 "$@"; }
