# Sourced after setup.sh and serve.sh: a database of the tests' own, and the demo served from it, beside bin/start.
export DATA="$ROOT/var/mariadb-test" DB_PORT=${TEST_DB_PORT:-3317} DB_FAST=1
STAGE_DB=
leave_the_stage() { stop_serving; [ -z "$STAGE_DB" ] || bin/db stop; }
trap leave_the_stage EXIT
trap 'exit 130' INT TERM

# own_database NAME ENV: an own database, brought up to date.
own_database() {
  [ -n "$STAGE_DB" ] || { bin/db start; STAGE_DB=1; }
  bin/db client -e "CREATE DATABASE IF NOT EXISTS $1"
  APP_ENV=$2 DATABASE_URL=$(bin/db url "$1") php bin/console doctrine:migrations:migrate --no-interaction \
    --allow-no-migration -q
}

# set_the_stage [N]: serves N platforms, each from a database of its own, at a time that stands still. MINT_DOOR_STAGES
# says where they are, an address and a database a line; e2e/stage.ts furnishes them with the demo.
set_the_stage() {
  # A language made from the English, in which all pages are looked at.
  node frontend/pseudo.mjs
  need_front_end
  export MINT_DOOR_CLOCK=2026-11-24T09:00:00Z APP_ENV=prod MINT_DOOR_NAME='Alder Quay Conservatory'
  export MESSAGES_HOLD=${MESSAGES_HOLD:-10}
  APP_SECRET=$(secret); export APP_SECRET
  export MINT_DOOR_STAGES=
  local n port=8097
  need_container
  for n in $(seq "${1:-1}"); do
    own_database "mint_e2e_$n" prod
    DATABASE_URL=$(bin/db url "mint_e2e_$n"); export DATABASE_URL
    while port_taken $port; do port=$((port + 1)); done
    serve $port
    MINT_DOOR_STAGES+="http://127.0.0.1:$port $DATABASE_URL"$'\n'
  done
}
