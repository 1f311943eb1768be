# A shop of its own to measure. Sourced by what measures it, with `root` set.
export LANTERN_VAR="$root/var/bench"
. ops/lib.sh
storefront_port=${LANTERN_BENCH_STOREFRONT_PORT:-8290}
admin_port=${LANTERN_BENCH_ADMIN_PORT:-8291}
database_port=${LANTERN_BENCH_DATABASE_PORT:-8292}
postgres_options=()

install_wrk() {
  command -v wrk >/dev/null || { is_root || die 'wrk is missing: apt-get install wrk.'; quietly apt-get update; quietly apt-get install -y --no-install-recommends wrk; }
}

# The demo shop in a new database; not served yet.
measured_shop() {
  rm -rf "$LANTERN_VAR/postgres" "$LANTERN_VAR/files" "$LANTERN_VAR/cache/addresses" "$LANTERN_VAR/cache/pages"
  trap stop_all EXIT
  trap 'exit 130' INT TERM
  write_environment
  install_packages
  install_libraries
  build
  start_database
  bring_database_up
  quietly php bin/console lantern:demo
}

# Fills it by a file of SQL beside this one.
fill_shop() {
  quietly "$(postgres_bin)/psql" -q -h 127.0.0.1 -p "$database_port" -U lantern -d lantern -f "ops/bench/$1"
  quietly "$(postgres_bin)/psql" -q -h 127.0.0.1 -p "$database_port" -U lantern -d lantern -c 'VACUUM ANALYZE'
}
