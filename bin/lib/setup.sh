# Sourced by bin/start, bin/test, bin/bench and bin/shots: gets what is missing and builds what is stale. Needs $ROOT.
export COMPOSER_ALLOW_SUPERUSER=1 DEBIAN_FRONTEND=noninteractive
SYMFONY=7.4.23

say() { printf '%s\n' "$*"; }
fail() { printf '%s\n' "$*" >&2; exit 1; }

# fresh NAME FILES...: true when the files are as they were when `stamp NAME FILES...` was last called.
sum_of() {
  (cd "$ROOT" && find "$@" -type f -print0 2>/dev/null | sort -z | xargs -0 -r sha256sum | sha256sum | cut -c1-32)
}
fresh() { local name=$1; shift; [ "$(cat "$ROOT/var/stamps/$name" 2>/dev/null)" = "$(sum_of "$@")" ]; }
stamp() { local name=$1; shift; mkdir -p "$ROOT/var/stamps"; sum_of "$@" > "$ROOT/var/stamps/$name"; }

need_packages() {
  local missing=() pair
  for pair in mariadbd:mariadb-server php-fpm8.2:php8.2-fpm nginx:nginx-light pgrep:procps php:php8.2-cli \
    composer:composer npm:npm "$@"; do
    PATH="$PATH:/usr/sbin:/sbin" command -v "${pair%%:*}" >/dev/null 2>&1 || missing+=("${pair#*:}")
  done
  local modules; modules=$(php -m 2>/dev/null || true)
  for pair in pdo_mysql:php8.2-mysql intl:php8.2-intl mbstring:php8.2-mbstring xml:php8.2-xml zip:php8.2-zip \
    curl:php8.2-curl apcu:php8.2-apcu; do
    grep -qix "${pair%%:*}" <<<"$modules" || missing+=("${pair#*:}")
  done
  [ ${#missing[@]} -eq 0 ] && return
  say "Installing ${missing[*]} …"
  local sudo=; [ "$(id -u)" = 0 ] || sudo="sudo -n"
  mkdir -p "$ROOT/var/log"
  local log="$ROOT/var/log/packages.log"
  { $sudo apt-get update -qq \
    && $sudo env DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "${missing[@]}"; } \
    >"$log" 2>&1 \
    || { tail -n 5 "$log" >&2; fail "These Debian packages could not be installed: ${missing[*]}. Install them as root,\
 then start again."; }
}

# need_php_libraries [dev]: with those of development only where they are wanted.
need_php_libraries() {
  local dev=${1:-}
  if [ ! -d "$ROOT/var/symfony/src/Symfony/Component/Clock" ]; then
    say "Fetching the Symfony components that come as one package …"
    rm -rf "$ROOT/var/symfony"
    (cd "$ROOT" && composer create-project --no-install --no-scripts --no-interaction -q \
      symfony/symfony var/symfony "$SYMFONY") \
      || fail "symfony/symfony $SYMFONY could not be fetched. See docs/development.md, \"Symfony's missing parts\"."
  fi
  if [ ! -f "$ROOT/vendor/autoload.php" ] \
    || { ! fresh composer-dev composer.json && { [ -n "$dev" ] || ! fresh composer composer.json; }; }; then
    say "Installing PHP libraries …"
    mkdir -p "$ROOT/var/log"
    local log="$ROOT/var/log/composer.log"
    (cd "$ROOT" && composer update --no-interaction --no-progress $([ -n "$dev" ] || echo --no-dev)) >"$log" 2>&1 \
      || { tail -n 15 "$log" >&2; fail "The PHP libraries could not be installed; composer's words are above."; }
    stamp "composer${dev:+-dev}" composer.json
    php "$ROOT/bin/lib/versions.php" check
  fi
}

need_node_libraries() {
  if [ ! -d "$ROOT/node_modules/vite" ] || ! fresh npm package-lock.json; then
    say "Installing JavaScript libraries …"
    mkdir -p "$ROOT/var/log"
    (cd "$ROOT" && npm ci --no-audit --no-fund) >"$ROOT/var/log/npm.log" 2>&1 \
      || { tail -n 15 "$ROOT/var/log/npm.log" >&2
        fail "The JavaScript libraries could not be installed; npm's words are above."; }
    stamp npm package-lock.json
  fi
}

need_front_end() {
  if [ ! -f "$ROOT/public/build/index.html" ] \
    || ! fresh front-end frontend openapi package-lock.json vite.config.ts; then
    say "Building the pages …"
    (cd "$ROOT" && npx --no-install vite build) >"$ROOT/var/log/vite.log" 2>&1 \
      || { tail -n 30 "$ROOT/var/log/vite.log" >&2; fail "The pages could not be built; vite's words are above."; }
    stamp front-end frontend openapi package-lock.json vite.config.ts
  fi
}

need_container() {
  if [ ! -d "$ROOT/var/cache/prod" ] || ! fresh container core src config translations composer.json .env; then
    rm -rf "$ROOT/var/cache/prod"
    (cd "$ROOT" && APP_ENV=prod php bin/console cache:warmup -q) \
      || fail "The application does not come up; its words are above."
    stamp container core src config translations composer.json .env
  fi
}

secret() {
  [ -s "$ROOT/var/secret" ] \
    || (umask 077; mkdir -p "$ROOT/var"; php -r 'echo bin2hex(random_bytes(32));' > "$ROOT/var/secret")
  cat "$ROOT/var/secret"
}
