# The link check of a large shop: how long a walk over everything takes, how soon an edit is known, how long the walk over the
# rendered demo shop takes. Sourced by bin/bench, with `root` set. Takes about three minutes.

bench_findings() {
  export LANTERN_VAR="$root/var/bench"
  . ops/lib.sh
  storefront_port=${LANTERN_BENCH_STOREFRONT_PORT:-8290}
  admin_port=${LANTERN_BENCH_ADMIN_PORT:-8291}
  database_port=${LANTERN_BENCH_DATABASE_PORT:-8292}
  postgres_options=()
  rm -rf "$LANTERN_VAR/postgres" "$LANTERN_VAR/files" "$LANTERN_VAR/cache/addresses" "$LANTERN_VAR/cache/pages"
  trap stop_all EXIT
  trap 'exit 130' INT TERM
  write_environment
  install_packages
  install_libraries
  build
  start_database
  quietly php bin/console doctrine:migrations:migrate --no-interaction
  quietly php bin/console lantern:demo
  start_web
  export "${environment[@]}"
  local begin=$(date +%s%N)
  php bin/console lantern:crawl | tail -n 1
  printf 'the walk over the rendered demo shop: %d ms (aim: 20,000)\n' $((($(date +%s%N) - begin) / 1000000))
  say 'Filling the shop: 50,000 places, 20,000 texts with ten links each, 1,000 entries, 100,000 redirects'
  quietly "$(postgres_bin)/psql" -q -h 127.0.0.1 -p "$database_port" -U lantern -d lantern -f ops/bench/findings.sql
  quietly "$(postgres_bin)/psql" -q -h 127.0.0.1 -p "$database_port" -U lantern -d lantern -c 'VACUUM ANALYZE'
  # Only there may a script reach what the program keeps to itself.
  APP_ENV=test php -d memory_limit=1G -d opcache.enable_cli=1 ops/bench/findings.php || say 'Some of it took longer, or more memory, than it is meant to.'
}
