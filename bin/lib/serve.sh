# Sourced after setup.sh: serves the application through nginx and php-fpm, with a worker for long sheets beside them.
# serve PORT: with DATABASE_URL, WORKERS and what .env names from the environment; stop_serving ends all that is served.
SERVING=()

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

serve() {
  local port=$1 run
  local -x MINT_DOOR_ADDRESS=${MINT_DOOR_ADDRESS:-http://127.0.0.1:$port}
  port_taken "$port" && fail "Port $port on 127.0.0.1 is taken by another program. Choose another, for instance: bin/start --port $((port + 1))"
  run=$(mktemp -d "${TMPDIR:-/tmp}/mint-door-XXXXXX")
  mkdir -p "$ROOT/var/log" "$run/tmp"
  local as_root=""; [ "$(id -u)" = 0 ] && as_root="user root;"
  sed -e "s|@PORT@|$port|g; s|@RUN@|$run|g; s|@ROOT@|$ROOT|g; s|@USER@|$as_root|g" "$ROOT/config/serve/nginx.conf" > "$run/nginx.conf"
  local fpm_user=""; [ "$(id -u)" = 0 ] && fpm_user=$'user = root\ngroup = root'
  { sed -e "s|@RUN@|$run|g; s|@ROOT@|$ROOT|g; s|@WORKERS@|${WORKERS:-8}|g" "$ROOT/config/serve/php-fpm.conf"
    printf '%s\n' "$fpm_user"
    printf 'env[APP_ENV] = prod\nenv[APP_SECRET] = "%s"\nenv[DATABASE_URL] = "%s"\n' "$(secret)" "$DATABASE_URL"
    local name; for name in MINT_DOOR_ADDRESS MINT_DOOR_NAME MAILER_DSN MAIL_FROM POST_ROOM_HOLD APP_SECRET_PREVIOUS SIGN_IN_SLOWS SYMFONY_TRUSTED_PROXIES; do [ -z "${!name:-}" ] || printf 'env[%s] = "%s"\n' "$name" "${!name}"; done
    [ -z "${MINT_DOOR_CLOCK:-}" ] || printf 'env[MINT_DOOR_CLOCK] = "%s"\n' "$MINT_DOOR_CLOCK"
  } > "$run/php-fpm.conf"; chmod 600 "$run/php-fpm.conf"
  local flags=(); [ "$(id -u)" = 0 ] && flags=(-R -d opcache.preload_user=root)
  PATH="$PATH:/usr/sbin" setsid php-fpm8.2 -F "${flags[@]}" -y "$run/php-fpm.conf" \
    -d opcache.enable=1 -d opcache.memory_consumption=192 -d opcache.max_accelerated_files=20000 -d opcache.validate_timestamps=0 \
    -d opcache.preload="$ROOT/config/preload.php" -d date.timezone=UTC -d expose_php=0 -d display_errors=0 -d realpath_cache_size=4M -d realpath_cache_ttl=600 \
    >"$run/fpm.out" 2>&1 </dev/null &
  FPM_PID=$!
  PATH="$PATH:/usr/sbin" setsid nginx -p "$run" -c "$run/nginx.conf" -e "$run/nginx.err" -g 'daemon off;' >"$run/nginx.out" 2>&1 </dev/null &
  NGINX_PID=$!
  # A worker ends now and then to be begun afresh; should it die, another goes on where it was.
  setsid bash -c 'trap "kill \$! 2>/dev/null; exit" TERM; while :; do php bin/console messenger:consume jobs --sleep=0.3 --time-limit=900 --memory-limit=256M -q & wait $!; sleep 0.5 & wait $!; done' >"$run/worker.out" 2>&1 </dev/null &
  WORKER_PID=$!
  # What doors do by themselves is looked for now and then; it may run on several machines at once.
  setsid bash -c 'trap "kill \$! 2>/dev/null; exit" TERM; while :; do php bin/console doors:tick --every=5 -q & wait $!; sleep 0.5 & wait $!; done' >"$run/ticker.out" 2>&1 </dev/null &
  SERVING+=("$run $NGINX_PID $FPM_PID $! $WORKER_PID")
  local i
  for i in $(seq 1 200); do
    [ "$(curl -s -o /dev/null -w '%{http_code}' "http://127.0.0.1:$port/api/v1/me")" = 401 ] && return 0
    kill -0 "$FPM_PID" 2>/dev/null && kill -0 "$NGINX_PID" 2>/dev/null || break
    sleep 0.1
  done
  cat "$run"/fpm.out "$run"/nginx.err "$run"/nginx.out >&2
  tail -n 3 "$ROOT/var/log/prod.log" 2>/dev/null >&2
  stop_serving
  fail "The server did not come up; its words are above."
}

stop_serving() {
  local run nginx fpm ticker worker pid each
  for each in "${SERVING[@]}"; do
    read -r run nginx fpm ticker worker <<<"$each"
    for pid in "$nginx" "$fpm"; do
      if kill -QUIT "$pid" 2>/dev/null; then
        for _ in $(seq 1 50); do kill -0 "$pid" 2>/dev/null || break; sleep 0.1; done
        kill -KILL "$pid" 2>/dev/null || true
      fi
    done
    for pid in "$worker" "$ticker"; do kill -TERM -- "-$pid" 2>/dev/null || true; done
    rm -rf "$run"
  done
  SERVING=()
}
