# Filters and search of a large shop: how long a narrowed page takes with all its counts, and how many go out in a second.
# Sourced by bin/bench, with `root` set. Filling it takes about a minute and a half, the whole about three.

bench_listing() {
  export LANTERN_VAR="$root/var/bench"
  . ops/lib.sh
  storefront_port=${LANTERN_BENCH_STOREFRONT_PORT:-8290}
  admin_port=${LANTERN_BENCH_ADMIN_PORT:-8291}
  database_port=${LANTERN_BENCH_DATABASE_PORT:-8292}
  postgres_options=()
  command -v wrk >/dev/null || { is_root || die 'wrk is missing: apt-get install wrk.'; quietly apt-get update; quietly apt-get install -y --no-install-recommends wrk; }
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
  say 'Filling the shop: 100,000 products, 400 categories, 60 makers, 300,000 values of 12 options'
  quietly "$(postgres_bin)/psql" -q -h 127.0.0.1 -p "$database_port" -U lantern -d lantern -f ops/bench/listing.sql
  quietly "$(postgres_bin)/psql" -q -h 127.0.0.1 -p "$database_port" -U lantern -d lantern -c 'VACUUM ANALYZE'
  # The limit of searches is for one visitor, and here one asks for all.
  nginx_addition=as_many_visitors start_web
  export "${environment[@]}"
  php ops/bench/listing.php "$LANTERN_VAR/run/listing" || say 'Some of it took longer than it is meant to.'
}

# Each request comes from somewhere else.
as_many_visitors() {
  sed -i -e 's|fastcgi_param  *REMOTE_ADDR .*;|fastcgi_param REMOTE_ADDR 10.$connection.$connection_requests.1;|' "$LANTERN_VAR/run/nginx.conf"
}
