# Sourced after setup.sh: serves the application through nginx and php-fpm, with a worker for long lists and the
# scheduler beside them, all kept running by bin/lib/keeper.
# serve PORT: with DATABASE_URL, WORKERS and what .env names from the environment; stop_serving ends all that is served.
SERVING=()
# Whom the processes run as when they are started by root: never as root itself.
SERVES_AS=www-data
# Handed on to the application where they are set.
HANDED_ON="MINT_DOOR_ADDRESS MINT_DOOR_NAME MINT_DOOR_CLOCK MAILER_DSN MAIL_FROM MESSAGES_HOLD APP_SECRET_PREVIOUS
  SIGN_IN_SLOWS SYMFONY_TRUSTED_PROXIES"

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
fail_port() {
  fail "Port $1 on 127.0.0.1 is taken by another program. Choose another, for instance: bin/start --port $(($1 + 1))"
}
is_root() { [ "$(id -u)" = 0 ]; }

# What they write to, and that they can read the rest.
may_write() {
  mkdir -p "$ROOT/var/log" "$ROOT/var/places"
  is_root || return 0
  # Some packages come readable for their owner only.
  chmod -R go+rX "$ROOT"/{vendor,public,src,core,config,bin,migrations,openapi,.env,composer.json}
  chmod go+rx "$ROOT/var" "$ROOT/var/cache"
  chown -R "$SERVES_AS" "$ROOT/var/log" "$ROOT/var/places" "$ROOT/var/cache/prod"
  . "$ROOT/bin/lib/pass.sh"
  let_pass "$SERVES_AS" "$ROOT" || fail "It was not started."
}

# console WORDS: a command of the application, as whom it is served.
console() {
  local as=(); is_root && as=(setpriv --reuid="$SERVES_AS" --regid="$SERVES_AS" --clear-groups)
  ${as[@]+"${as[@]}"} php "$ROOT/bin/console" "$@"
}

# program RUN NAME SIGNAL COMMAND: something for the keeper to keep running; standard input adds lines before it.
program() {
  local run=$1 name=$2
  { printf '# %s\n' "$3"; cat; printf 'exec %s\n' "$4"; } >"$run/$name.new"
  chmod 600 "$run/$name.new"
  mv "$run/$name.new" "$run/programs/$name"
}

# begin_keeping RUN_VARIABLE: a folder to run from, and a keeper for what is put into it.
begin_keeping() {
  local folder; folder=$(mktemp -d "${TMPDIR:-/tmp}/mint-door-XXXXXX")
  chmod 755 "$folder"
  mkdir -p "$folder/programs" "$folder/tmp"
  chmod 700 "$folder/programs"
  setsid "$ROOT/bin/lib/keeper" "$folder" >/dev/null 2>&1 </dev/null &
  SERVING+=("$folder $!")
  printf -v "$1" %s "$folder"
}

serve() {
  local port=$1 run=${2:-} name
  local -x MINT_DOOR_ADDRESS=${MINT_DOOR_ADDRESS:-http://127.0.0.1:$port}
  port_taken "$port" && fail_port "$port"
  may_write
  [ -n "$run" ] || begin_keeping run
  local user='' fpm_user='' as='' flags=''
  if is_root; then
    user="user $SERVES_AS;"
    fpm_user=$(printf 'user = %s\ngroup = %s\nlisten.owner = %s\n' "$SERVES_AS" "$SERVES_AS" "$SERVES_AS")
    as="setpriv --reuid=$SERVES_AS --regid=$SERVES_AS --clear-groups "
    flags="-d opcache.preload_user=$SERVES_AS"
    chown "$SERVES_AS" "$run/tmp"
  fi
  local fill="s|@PORT@|$port|g; s|@RUN@|$run|g; s|@ROOT@|$ROOT|g; s|@USER@|$user|g"
  fill="$fill; s|@WORKERS@|${WORKERS:-8}|g; s|@OPEN_WORKERS@|${OPEN_WORKERS:-6}|g"
  fill="$fill; s|@EXPENSIVE@|${EXPENSIVE_PLACES:-4}|g; s|@SITE@|${SITE_PLACES:-5}|g"
  for name in nginx fastcgi headers; do sed "$fill" "$ROOT/config/serve/$name.conf" >"$run/$name.conf"; done
  { printf '%s\n' "$fpm_user"
    printf 'env[APP_ENV] = prod\nenv[APP_SECRET] = "%s"\nenv[DATABASE_URL] = "%s"\n' "$(secret)" "$DATABASE_URL"
    for name in $HANDED_ON; do [ -z "${!name:-}" ] || printf 'env[%s] = "%s"\n' "$name" "${!name}"; done
  } >"$run/env.conf"
  chmod 600 "$run/env.conf"
  (umask 077; sed -e "/^@ENV@/{r $run/env.conf
d}" -e "$fill" "$ROOT/config/serve/php-fpm.conf" >"$run/php-fpm.conf")
  local environment
  environment=$(
    printf 'export APP_ENV=prod APP_SECRET=%q DATABASE_URL=%q\n' "$(secret)" "$DATABASE_URL"
    for name in $HANDED_ON; do [ -z "${!name:-}" ] || printf 'export %s=%q\n' "$name" "${!name}"; done
    printf 'cd %q\n' "$ROOT"
  )
  program "$run" fpm QUIT "$(PATH="$PATH:/usr/sbin" command -v php-fpm8.2) -F -y $run/php-fpm.conf $flags \
-d opcache.enable=1 -d opcache.memory_consumption=192 -d opcache.max_accelerated_files=20000 \
-d opcache.validate_timestamps=0 -d opcache.preload=$ROOT/config/preload.php -d date.timezone=UTC -d expose_php=0 \
-d display_errors=0 -d realpath_cache_size=4M -d realpath_cache_ttl=600" </dev/null
  program "$run" nginx QUIT "$(PATH="$PATH:/usr/sbin" command -v nginx) -p $run -c $run/nginx.conf -e $run/nginx.err \
-g 'daemon off;'" </dev/null
  # A worker ends now and then to be begun afresh.
  program "$run" worker TERM "${as}php -d opcache.enable_cli=1 -d opcache.jit=tracing \
-d opcache.jit_buffer_size=64M bin/console messenger:consume jobs --sleep=0.3 --keepalive=1 --time-limit=900 \
--memory-limit=256M -q" <<<"$environment"
  # What doors do by themselves is looked for now and then; it may run on several machines at once.
  program "$run" scheduler TERM "${as}php bin/console doors:tick --every=5 -q" <<<"$environment"
  local i
  for i in $(seq 1 300); do
    [ "$(curl -s -o /dev/null -m 5 -w '%{http_code}' "http://127.0.0.1:$port/api/v1/me")" = 401 ] && return 0
    sleep 0.1
  done
  tail -n 20 "$run"/fpm.out "$run"/fpm.log "$run"/nginx.err "$run"/nginx.out >&2
  tail -n 3 "$ROOT"/var/log/prod*.log 2>/dev/null >&2
  stop_serving
  fail "The server did not come up; its words are above."
}

# end_left_behind LIST: what a start that was killed left running, by the folders it wrote down there.
end_left_behind() {
  local list=$1
  local folder keeper
  while read -r folder; do
    [ -d "$folder/programs" ] || continue
    keeper=$(pgrep -f "bin/lib/keeper $folder\$" | head -n 1 || true)
    if [ -z "$keeper" ]; then
      # A keeper takes over what is there, and ends it.
      setsid "$ROOT/bin/lib/keeper" "$folder" >/dev/null 2>&1 </dev/null &
      keeper=$!
      sleep 1
    fi
    say "Ending what an earlier start left running …"
    SERVING=("$folder $keeper")
    stop_serving
  done < <(cat "$list" 2>/dev/null)
  rm -f "$list"
}

stop_serving() {
  local run keeper each
  for each in ${SERVING[@]+"${SERVING[@]}"}; do
    read -r run keeper <<<"$each"
    if kill -TERM "$keeper" 2>/dev/null; then
      for _ in $(seq 1 400); do kill -0 "$keeper" 2>/dev/null || break; sleep 0.1; done
    fi
    rm -rf "$run"
  done
  SERVING=()
}

# Begins keepers again that ended by themselves; they take over what goes on.
mind_keepers() {
  local run keeper n
  for n in "${!SERVING[@]}"; do
    read -r run keeper <<<"${SERVING[$n]}"
    kill -0 "$keeper" 2>/dev/null && continue
    setsid "$ROOT/bin/lib/keeper" "$run" >/dev/null 2>&1 </dev/null &
    SERVING[$n]="$run $!"
  done
}
