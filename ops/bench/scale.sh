# A shop that has grown for years: how long each call takes, what publishing costs, and what visitors notice of it.
# Sourced by bin/bench, with `root` set. Filling it takes about three minutes, the whole about eight.

# The shop, filled and served.
grown_shop() {
  . ops/bench/shop.sh
  measured_shop
  say 'Filling the shop: 150,000 places, 1,000,000 redirects, 5,000,000 rows of visits'
  fill_shop scale.sql
  start_web
  export "${environment[@]}" "${of_the_owner[@]}"
}

# What a person at the interface waits for, measured in the browser.
bench_interface() {
  grown_shop
  node ops/bench/interface.mjs || say 'Some of it took longer than it is meant to.'
}

bench_scale() {
  grown_shop
  local missed=0
  php ops/bench/scale.php "${2:-}" || missed=1
  php -d memory_limit=256M ops/bench/publishing.php || missed=1
  local alone beside
  say '200 visitors'
  alone=$(php ops/bench/visitors.php 15) || missed=1
  say '200 visitors, and a release each second'
  beside=$(php ops/bench/visitors.php 30 publish) || missed=1
  printf '200 visitors:                      %s\n200 visitors, a release a second:  %s\n' "$alone" "$beside"
  awk -v a="$(grep -oE '[0-9,]+ a second' <<<"$alone" | head -1)" -v b="$(grep -oE '[0-9,]+ a second' <<<"$beside" | head -1)" 'BEGIN { printf "Of the rate without publishing: %.2f (aim: no less than 0.5)\n", b / a }'
  [ "$missed" = 0 ] || say 'Some of it took longer than it is meant to.'
}
