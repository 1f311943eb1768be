# The link check of a large shop: how long a walk over everything takes, how soon an edit is known, how long the walk over the
# rendered demo shop takes. Sourced by bin/bench, with `root` set. Takes about three minutes.

bench_findings() {
  . ops/bench/shop.sh
  measured_shop
  start_web
  export "${environment[@]}" "${of_the_owner[@]}"
  local begin=$(date +%s%N)
  php bin/console lantern:crawl | tail -n 1
  printf 'the walk over the rendered demo shop: %d ms (aim: 20,000)\n' $((($(date +%s%N) - begin) / 1000000))
  say 'Filling the shop: 50,000 places, 20,000 texts with ten links each, 1,000 entries, 100,000 redirects'
  fill_shop findings.sql
  # Only there may a script reach what the program keeps to itself.
  APP_ENV=test php -d memory_limit=1G -d opcache.enable_cli=1 ops/bench/findings.php || say 'Some of it took longer, or more memory, than it is meant to.'
}
