# What bin/start and bin/test share: installing, building, and the servers of one copy of the program.
# Sourced, with `root` set to the checkout. State lives under $LANTERN_VAR.

export LANTERN_VAR="${LANTERN_VAR:-$root/var}"
export APP_ENV=prod APP_DEBUG=0
php_version=8.2

say() { printf '\033[2m%s\033[0m %s\n' "$(date +%H:%M:%S)" "$*"; }
die() { printf '%s\n' "$*" >&2; exit 1; }

# Runs a command quietly; shows what it printed only when it fails.
quietly() {
  local log="$LANTERN_VAR/log/setup.log"
  mkdir -p "$LANTERN_VAR/log"
  "$@" >"$log" 2>&1 || { tail -n 30 "$log" >&2; die "This did not work: $*  (the whole output is in $log)"; }
}

is_root() { [ "$(id -u)" = 0 ]; }

# The user that serves: never root.
serving_user() { if is_root; then echo www-data; else id -un; fi; }
database_user() { if is_root; then echo postgres; else id -un; fi; }
as_database_user() { if is_root; then runuser -u postgres -- "$@"; else "$@"; fi; }

install_packages() {
  local missing=()
  command -v nginx >/dev/null || missing+=(nginx)
  [ -x "/usr/sbin/php-fpm$php_version" ] || missing+=("php$php_version-fpm")
  local extension loaded
  loaded=$(php -m 2>/dev/null || true)
  for extension in intl mbstring xml:dom pgsql:pdo_pgsql dba gd curl zip apcu; do
    grep -qix "${extension#*:}" <<<"$loaded" || missing+=("php$php_version-${extension%:*}")
  done
  command -v php >/dev/null || missing+=("php$php_version-cli")
  command -v composer >/dev/null || missing+=(composer)
  postgres_bin >/dev/null || missing+=(postgresql)
  # Only tests need these: a browser, and the Redis that a shop may have.
  if [ "${1:-}" = with-browser ]; then
    # The shell is half as costly; it needs files of the whole browser.
    [ -x /usr/bin/chromium ] || missing+=(chromium)
    [ -x /usr/bin/chromium-headless-shell ] || missing+=(chromium-headless-shell)
    command -v redis-server >/dev/null || missing+=(redis-server)
  fi
  command -v npm >/dev/null || die "Node.js 20 or later with npm is missing. Install it, then run this again."
  [ ${#missing[@]} -gt 0 ] || return 0
  is_root || die "These Debian packages are missing: ${missing[*]}. Install them, or run this with sudo."
  command -v apt-get >/dev/null || die "These packages are missing, and there is no apt-get to install them with: ${missing[*]}."
  say "Installing Debian packages: ${missing[*]}"
  quietly apt-get update
  DEBIAN_FRONTEND=noninteractive quietly apt-get install -y --no-install-recommends "${missing[@]}"
}

postgres_bin() {
  local dir
  for dir in /usr/lib/postgresql/*/bin; do
    [ -x "$dir/initdb" ] && [ -x "$dir/pg_ctl" ] && { echo "$dir"; return 0; }
  done
  return 1
}

# Whether anything below the given paths is newer than a stamp file.
newer_than() {
  local stamp="$1"; shift
  [ ! -e "$stamp" ] || [ -n "$(find "$@" -newer "$stamp" -print -quit 2>/dev/null)" ]
}

install_libraries() {
  if newer_than vendor/.installed composer.json third-party/*/composer.json; then
    say 'Installing PHP libraries'
    export COMPOSER_ALLOW_SUPERUSER=1
    quietly composer install -d third-party/symfony --no-autoloader --no-dev --no-interaction
    quietly composer update --no-interaction --prefer-dist --optimize-autoloader
    # Some packages come with files that only their owner may read; another user serves them.
    chmod -R go+rX vendor
    touch vendor/.installed
  elif newer_than vendor/.autoloaded src migrations; then
    quietly composer dump-autoload --optimize --no-interaction
  fi
  touch vendor/.autoloaded
  if newer_than node_modules/.installed package.json package-lock.json; then
    say 'Installing JavaScript libraries'
    # Not npm ci: it asks the lock file for builds for other machines, which a registry need not have.
    PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 quietly npm install --no-save --no-audit --no-fund
    touch node_modules/.installed
  fi
}

# The container of both origins, the API's description and the scripts and styles made from it.
build() {
  if newer_than "$LANTERN_VAR/cache/.built" src config templates migrations vendor/.installed; then
    say 'Preparing the application'
    rm -rf "$LANTERN_VAR"/cache/*
    quietly php bin/console cache:warmup --no-interaction
    quietly php bin/warm-storefront
    touch "$LANTERN_VAR/cache/.built"
  fi
  if newer_than public/.built web src/Admin package-lock.json; then
    say 'Building scripts and styles'
    quietly bash -c 'php bin/console lantern:openapi > "$LANTERN_VAR/openapi.json"'
    quietly npm run build
    touch public/.built
  fi
  is_root && chown -R www-data: "$LANTERN_VAR/cache" "$LANTERN_VAR/log" "$LANTERN_VAR/files" || true
}

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

require_port() { port_is_free "$1" || die "Port $1 is taken. Stop what uses it, or choose another with $2."; }

# What differs from one machine to another; read by the console, given to php-fpm.
write_environment() {
  mkdir -p "$LANTERN_VAR"/{cache,log,files/pictures,run,secrets}
  local name
  for name in database database-admin database-shop application; do
    [ -s "$LANTERN_VAR/secrets/$name" ] || (umask 077; head -c 24 /dev/urandom | base64 | tr -d '+/=\n' > "$LANTERN_VAR/secrets/$name")
  done
  # Three roles: one owns the tables and works by the console, the servers may less (ops/grants.sql).
  local at="127.0.0.1:$database_port/${database_name:-lantern}"
  local owner admin shop
  owner="lantern:$(cat "$LANTERN_VAR/secrets/database")@$at"
  admin="lantern_admin:$(cat "$LANTERN_VAR/secrets/database-admin")@$at"
  shop="lantern_shop:$(cat "$LANTERN_VAR/secrets/database-shop")@$at"
  of_the_owner=("DATABASE_URL=postgresql://$owner" "LANTERN_LOCK_DSN=pgsql+advisory://$owner" "LANTERN_OWNER_DATABASE_URL=postgresql://$owner" "LANTERN_ADMIN_DATABASE_URL=postgresql://$admin" "LANTERN_SHOP_DATABASE_URL=postgresql://$shop")
  of_the_management=("DATABASE_URL=postgresql://$admin" "LANTERN_LOCK_DSN=pgsql+advisory://$admin")
  of_the_shop=("DATABASE_URL=postgresql://$shop" "LANTERN_LOCK_DSN=pgsql+advisory://$shop")
  environment=(
    "APP_ENV=prod" "APP_DEBUG=0"
    "APP_SECRET=$(cat "$LANTERN_VAR/secrets/application")"
    "LANTERN_STOREFRONT_URL=http://127.0.0.1:$storefront_port"
    "LANTERN_ADMIN_URL=http://127.0.0.1:$admin_port"
    "LANTERN_FILES=$LANTERN_VAR/files"
    "LANTERN_VAR=$LANTERN_VAR"
  )
  # What whoever starts it has said of its surroundings.
  local given
  for given in MAILER_DSN REDIS_URL LANTERN_LIST_WEBHOOK_URL LANTERN_LIST_WEBHOOK_SECRET LANTERN_CUSTOMER_KEYS LANTERN_CUSTOMER_SHOP LANTERN_CUSTOMER_ISSUER LANTERN_CUSTOMER_COOKIE LANTERN_CUSTOMER_SIGN_IN_URL; do
    [ -z "${!given:-}" ] || environment+=("$given=${!given}")
  done
  # On this machine alone whoever comes first may name the shop and own it.
  [ -z "${empty:-}" ] || environment+=("LANTERN_FIRST_START=1")
  # The demo's stand-in for other web sites: the only address within a private network that may be asked.
  [ -z "${world_port:-}" ] || environment+=("LANTERN_OUTSIDE_STAND_IN=http://127.0.0.1:$world_port")
  (umask 077; printf '%s\n' "${environment[@]}" "${of_the_owner[@]}" > "$LANTERN_VAR/environment")
  chmod 755 "$LANTERN_VAR" "$LANTERN_VAR/run"
}

start_database() {
  local bin data="$LANTERN_VAR/postgres"
  bin=$(postgres_bin)
  if [ -f "$data/postmaster.pid" ] && as_database_user "$bin/pg_ctl" -D "$data" status >/dev/null 2>&1; then
    die "The database of this copy is running already (process $(head -n 1 "$data/postmaster.pid")). Is another bin/start running?"
  fi
  require_port "$database_port" LANTERN_DATABASE_PORT
  if [ ! -e "$data" ]; then
    say 'Making a database'
    install -d -m 700 "$data"
    if is_root; then chown postgres: "$data"; fi
    local password
    password=$(mktemp); cat "$LANTERN_VAR/secrets/database" > "$password"; chmod 644 "$password"
    if ! as_database_user "$bin/initdb" -D "$data" -U lantern --pwfile="$password" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 >"$LANTERN_VAR/log/initdb.log" 2>&1; then
      rm -rf "$data" "$password"
      die "The database could not be made: $(tail -n 1 "$LANTERN_VAR/log/initdb.log"). The user $(database_user) has to be able to enter $LANTERN_VAR."
    fi
    rm -f "$password"
  fi
  [ -s "$data/PG_VERSION" ] && [ -s "$data/global/pg_control" ] ||
    die "$data is not a whole database directory. Move it away, or run bin/start --reset to make the demo shop anew."
  say "Starting PostgreSQL on port $database_port"
  : > "$LANTERN_VAR/log/postgres.log"; is_root && chown postgres: "$LANTERN_VAR/log/postgres.log"
  run_database
  local try
  for try in $(seq 100); do
    "$bin/pg_isready" -q -h 127.0.0.1 -p "$database_port" && break
    kill -0 "$database_pid" 2>/dev/null || die "PostgreSQL did not start: $(grep -E 'FATAL|PANIC' "$LANTERN_VAR/log/postgres.log" | tail -n 1). Move $data away, or run bin/start --reset."
    sleep 0.1
  done
  export PGPASSWORD; PGPASSWORD=$(cat "$LANTERN_VAR/secrets/database")
  "$bin/psql" -qAt -h 127.0.0.1 -p "$database_port" -U lantern -d postgres -c "SELECT 1 FROM pg_database WHERE datname = 'lantern'" 2>"$LANTERN_VAR/log/psql.log" | grep -q 1 ||
    "$bin/psql" -q -h 127.0.0.1 -p "$database_port" -U lantern -d postgres -c 'CREATE DATABASE lantern' 2>"$LANTERN_VAR/log/psql.log" ||
    die "The database does not let us in: $(tail -n 1 "$LANTERN_VAR/log/psql.log"). Run bin/start --reset to make the demo shop anew."
}

# The tables as this version of the program has them, and what its servers may do with them.
bring_database_up() {
  quietly php bin/console doctrine:migrations:migrate --no-interaction --allow-no-migration
  quietly bin/grants
}

run_database() {
  setsid_as_database_user "$(postgres_bin)/postgres" -D "$LANTERN_VAR/postgres" -c listen_addresses=127.0.0.1 -c port="$database_port" -c unix_socket_directories= \
    -c shared_buffers=256MB -c max_connections=60 -c lc_messages=C "${postgres_options[@]}"
}

setsid_as_database_user() {
  if is_root; then setsid runuser -u postgres -- "$@" >>"$LANTERN_VAR/log/postgres.log" 2>&1 &
  else setsid "$@" >>"$LANTERN_VAR/log/postgres.log" 2>&1 & fi
  database_pid=$!
}

# nginx and php-fpm have a limit of about 100 bytes for the path of a socket.
socket_path() {
  local path="${run_folder:-$LANTERN_VAR/run}/$1.sock"
  [ ${#path} -lt 100 ] && echo "$path" || echo "/tmp/lantern-$storefront_port-$1.sock"
}

# What nginx and php-fpm run with on this machine: written into a folder, from ops/nginx.conf and ops/php-fpm.conf.
write_server_configuration() {
  local into="${configuration_folder:-$LANTERN_VAR/run}" run="${run_folder:-$LANTERN_VAR/run}" log="${log_folder:-$LANTERN_VAR/log}"
  local user files pair parts
  user=${serving_as:-$(serving_user)}
  for pair in "${environment[@]}"; do [ "${pair%%=*}" != LANTERN_FILES ] || files="${pair#*=}"; done
  identity() {
    if is_root; then printf 'user = %s\ngroup = %s\nlisten.owner = %s\nlisten.group = %s\n' "$user" "$user" "$user" "$user"; fi
    for pair in "${environment[@]}" "$@"; do printf 'env[%s] = "%s"\n' "${pair%%=*}" "${pair#*=}"; done
  }
  # On loopback, by their ports, unless they have names.
  parts=$(umask 077; mktemp -d)
  identity "${of_the_shop[@]}" > "$parts/identity_shop"
  identity "${of_the_management[@]}" > "$parts/identity_management"
  printf '%s\n' "${shop_listens:-listen 127.0.0.1:$storefront_port; server_name _;}" > "$parts/shop_listens"
  printf '%s\n' "${management_listens:-listen 127.0.0.1:$admin_port; server_name _;}" > "$parts/management_listens"
  printf '%s\n' "${more_servers:-}" > "$parts/more_servers"
  local fill=(-e "s|@run@|$run|g; s|@log@|$log|g; s|@root@|$root|g; s|@var@|$LANTERN_VAR|g; s|@files@|${files:-$LANTERN_VAR/files}|g; s|@hsts@|${hsts:-}|g"
    -e "s|@shop_socket@|$(run_folder="$run" socket_path shop)|g; s|@management_socket@|$(run_folder="$run" socket_path management)|g; s|@metrics@|${metrics_port:-$((admin_port + 3))}|g"
    -e "s|@user@|$(is_root && echo "user $user;")|")
  local part
  for part in identity_shop identity_management shop_listens management_listens more_servers; do fill+=(-e "/@$part@/{r $parts/$part
d}"); done
  (umask 077; sed "${fill[@]}" ops/php-fpm.conf > "$into/php-fpm.conf")
  chmod 600 "$into/php-fpm.conf"
  sed "${fill[@]}" ops/nginx.conf > "$into/nginx.conf"
  rm -rf "$parts"
  [ -z "${nginx_addition:-}" ] || "$nginx_addition"
}

run_fpm() {
  rm -f "$(socket_path shop)" "$(socket_path management)"
  setsid "/usr/sbin/php-fpm$php_version" --nodaemonize --fpm-config "$LANTERN_VAR/run/php-fpm.conf" -c ops/php.ini -d opcache.preload="$root/ops/preload.php" -d opcache.preload_user="$(serving_user)" >>"$LANTERN_VAR/log/php-fpm.log" 2>&1 &
  fpm_pid=$!
}

run_nginx() {
  setsid nginx -c "$LANTERN_VAR/run/nginx.conf" -e "$LANTERN_VAR/log/nginx.log" >>"$LANTERN_VAR/log/nginx.log" 2>&1 &
  nginx_pid=$!
}

start_web() {
  require_port "$storefront_port" LANTERN_STOREFRONT_PORT
  require_port "$admin_port" LANTERN_ADMIN_PORT
  if is_root && ! runuser -u www-data -- test -r "$root/public/storefront.php"; then
    die "The user www-data cannot read $root. Make the folders above it enterable (chmod o+x), or move the checkout."
  fi
  mkdir -p "$LANTERN_VAR/run/nginx"
  write_server_configuration
  is_root && chown -R www-data: "$LANTERN_VAR/run/nginx"
  # What was run as root may have written there by now.
  is_root && chown -R www-data: "$LANTERN_VAR/log" "$LANTERN_VAR/cache" || true
  say 'Starting php-fpm and nginx'
  run_fpm
  local try
  for try in $(seq 50); do [ -S "$(socket_path shop)" ] && [ -S "$(socket_path management)" ] && break; kill -0 $fpm_pid 2>/dev/null || die "php-fpm did not start: $(tail -n 1 "$LANTERN_VAR/log/php-fpm.log")"; sleep 0.1; done
  run_nginx
  run_workers
  [ -z "${world_port:-}" ] || run_world
  for try in $(seq 50); do port_is_free "$admin_port" || return 0; kill -0 $nginx_pid 2>/dev/null || break; sleep 0.1; done
  die "nginx did not start: $(tail -n 1 "$LANTERN_VAR/log/nginx.log")"
}

# Work that takes longer than a request: a worker for each queue, so that none waits for another's (config/packages.php). Each ends by
# itself now and then, and is started again.
worker_queues=(letters jobs outside checks scheduler_nightly)

run_worker_of() {
  local queue="$1" command
  command=(php -d memory_limit=512M bin/console messenger:consume "$queue" --keepalive=5 --sleep=0.5 --time-limit=3600 --memory-limit=256M --no-interaction)
  if is_root; then command=(runuser -u www-data -- "${command[@]}"); fi
  (export "${environment[@]}" "${of_the_management[@]}"; exec setsid "${command[@]}") >>"$LANTERN_VAR/log/worker.log" 2>&1 &
  printf -v "worker_${queue}_pid" %s $!
}

run_workers() {
  local queue
  for queue in "${worker_queues[@]}"; do run_worker_of "$queue"; done
}

# Starts those again that have ended.
keep_workers() {
  local queue pid
  for queue in "${worker_queues[@]}"; do
    pid="worker_${queue}_pid"
    [ -n "${!pid:-}" ] && kill -0 "${!pid}" 2>/dev/null || run_worker_of "$queue"
  done
}

stop_workers() {
  local queue pid
  for queue in "${worker_queues[@]}"; do
    pid="worker_${queue}_pid"
    [ -z "${!pid:-}" ] || kill -TERM "${!pid}" 2>/dev/null || true
  done
}

# The web outside of the demo shop, made up.
run_world() {
  local command=(php bin/console lantern:outside-world --port="$world_port")
  if is_root; then command=(runuser -u www-data -- "${command[@]}"); fi
  (export "${environment[@]}" "${of_the_management[@]}"; exec setsid "${command[@]}") >>"$LANTERN_VAR/log/outside-world.log" 2>&1 &
  world_pid=$!
}

# Keeps what was started running: whatever ends is started again, and the rest goes on meanwhile.
keep_running() {
  local -A again=()
  while true; do
    wait -n 2>/dev/null || true
    local name
    for name in database fpm nginx "${worker_queues[@]/#/worker_}" ${world_pid:+world}; do
      local pid="${name}_pid"
      kill -0 "${!pid}" 2>/dev/null && continue
      # What cannot be started is tried once a second, and said once a minute.
      [ $((SECONDS - ${again[$name]:--60})) -lt 60 ] || say "$name ended and is started again. See the files in $LANTERN_VAR/log."
      again[$name]=$SECONDS
      sleep 1
      case "$name" in worker_*) run_worker_of "${name#worker_}" ;; *) "run_$name" ;; esac
    done
  done
}

# Ends what this script started, and nothing else. What has ended already is no reason to leave the rest.
stop_all() {
  trap - EXIT INT TERM
  set +e
  stop_workers
  [ -z "${world_pid:-}" ] || kill -TERM "$world_pid" 2>/dev/null
  [ -z "${nginx_pid:-}" ] || kill -QUIT "$nginx_pid" 2>/dev/null
  [ -z "${fpm_pid:-}" ] || kill -TERM "$fpm_pid" 2>/dev/null
  if [ -n "${database_pid:-}" ]; then
    as_database_user "$(postgres_bin)/pg_ctl" -D "$LANTERN_VAR/postgres" -m fast stop >/dev/null 2>&1
  fi
  wait 2>/dev/null
}
