# Filters and search of a large shop: how long a narrowed page takes with all its counts, and how many go out in a second.
# Sourced by bin/bench, with `root` set. Filling it takes about a minute and a half, the whole about three.

bench_listing() {
  . ops/bench/shop.sh
  install_wrk
  measured_shop
  say 'Filling the shop: 100,000 products, 400 categories, 60 makers, 300,000 values of 12 options'
  fill_shop listing.sql
  # The limit of searches is for one visitor, and here one asks for all.
  nginx_addition=as_many_visitors start_web
  export "${environment[@]}"
  php ops/bench/listing.php "$LANTERN_VAR/run/listing" || say 'Some of it took longer than it is meant to.'
}

# Each request comes from somewhere else.
as_many_visitors() {
  sed -i -e 's|fastcgi_param  *REMOTE_ADDR .*;|fastcgi_param REMOTE_ADDR 10.$connection.$connection_requests.1;|' "$LANTERN_VAR/run/nginx.conf"
}
