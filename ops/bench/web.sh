# What the storefront answers in a second, beside what the same servers could answer at the most.
# Sourced by bin/bench, with `root` set. Everything is measured in one run, one thing after the other, several times round.
. ops/bench/shop.sh
side_port=${LANTERN_BENCH_SIDE_PORT:-8293}
rounds=${LANTERN_BENCH_ROUNDS:-5} seconds=${LANTERN_BENCH_SECONDS:-4} connections=4

side_server() {
  # The same nginx and the same php-fpm serve a bare file, a bare controller, and nginx's own map of the same redirects.
  sed -i -e '$d' -e 's|^http {|http { map_hash_max_size 400000; map_hash_bucket_size 256;|' "$LANTERN_VAR/run/nginx.conf"
  cat >> "$LANTERN_VAR/run/nginx.conf" <<NGINX
    map \$uri \$moved { default ""; include $LANTERN_VAR/run/redirects.map; }
    server {
        listen 127.0.0.1:$side_port;
        location = /bare { fastcgi_param SCRIPT_FILENAME $root/ops/bench/bare.php; include $LANTERN_VAR/run/fastcgi; fastcgi_pass unix:$(socket_path shop); }
        location = /bare-controller { fastcgi_param SCRIPT_FILENAME $root/ops/bench/bare-controller.php; include $LANTERN_VAR/run/fastcgi; fastcgi_pass unix:$(socket_path shop); }
        location / { if (\$moved) { return 301 \$moved; } return 404; }
    }
}
NGINX
  sed '/^    server {/,$d' ops/nginx.conf | grep -E '^ *fastcgi_param' | grep -v SCRIPT_FILENAME | sed -e 's|\$front|bare.php|g' > "$LANTERN_VAR/run/fastcgi"
}

export_map() { quietly php bin/console lantern:redirects:export --format=nginx --copy=live; cp "$LANTERN_VAR/log/setup.log" "$LANTERN_VAR/run/redirects.map"; }

# Prints requests a second, median and 99th percentile of one thing, for one round.
measure() {
  local url="$1"; shift
  local script=() arguments=()
  while [ $# -gt 0 ]; do if [ "$1" = -- ]; then arguments=("$@"); break; fi; script+=("$1"); shift; done
  wrk --latency -t1 -c"$connections" -d"${seconds}s" "${script[@]}" "$url" "${arguments[@]}" 2>&1 | awk '
    function ms(t) { if (t ~ /us$/) return t / 1000; if (t ~ /ms$/) return t + 0; return t * 1000 }
    $1 == "50%" { median = ms($2) } $1 == "99%" { late = ms($2) } $1 == "Requests/sec:" { rate = $2 }
    /Non-2xx/ { bad = $NF } END { printf "%.0f %.2f %.2f %d\n", rate, median, late, bad }'
}

# Publishes that many redirects, and asks until this node has its table of them.
fill() {
  local release try
  release=$(php ops/bench/fill.php "$1")
  for try in $(seq 1200); do
    curl -s -o /dev/null "http://127.0.0.1:$storefront_port/bench/1-an-old-address-of-this-shop.html"
    grep -qsF "\"release\":\"$release\"" "$LANTERN_VAR/cache/addresses/state.json" && return 0
    sleep 0.5
  done
  die "The node made no table of release $release."
}

bench_web() {
  install_wrk
  measured_shop
  php ops/bench/fill.php 100000 >/dev/null
  export_map
  nginx_addition=side_server start_web
  local shop="http://127.0.0.1:$storefront_port" side="http://127.0.0.1:$side_port"
  local results="$LANTERN_VAR/log/bench.txt"; : > "$results"
  local round count
  fill 100000
  for round in $(seq "$rounds"); do
    say "Round $round of $rounds"
    {
      echo "map $(measure "$side" -s ops/bench/random-redirects.lua -- 100000)"
      echo "bare $(measure "$side/bare")"
      echo "redirect $(measure "$shop" -s ops/bench/random-redirects.lua -- 100000)"
      echo "controller $(measure "$side/bare-controller")"
      echo "page $(measure "$shop/papers/marbled")"
      echo "campaign $(measure "$shop/papers/marbled?utm_source=letter")"
      echo "framework $(measure "$shop/papers/marbled?sort=name")"
      echo "narrowed $(measure "$shop/papers/marbled?maker=Odile+Farrow")"
    } >> "$results"
  done
  # A page of pieces below wide panels, beside one of words below plain dropdowns; kept, and made anew.
  local kind page="$shop/about-us/two-people-and-a-press"
  for kind in laid-out plain; do
    php ops/bench/pieces.php "$kind"
    sleep 3
    say "A page, $kind"
    for round in $(seq "$rounds"); do
      echo "$kind-anew $(measure "$page?sort=name")"
      echo "$kind-kept $(measure "$page")"
    done >> "$results"
  done
  # The same question with few rules and with many, in turn, so that neither is measured on a warmer machine.
  for count in 1000 1000000 1000 1000000 1000 1000000; do
    say "$count redirects"
    fill "$count"
    echo "rules-$count $(measure "$shop" -s ops/bench/random-redirects.lua -- "$count")" >> "$results"
  done
  php ops/bench/table.php "$results"
}
