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
  APP_ENV=$2 DATABASE_URL=$(bin/db url "$1") php bin/console doctrine:migrations:migrate --no-interaction --allow-no-migration -q
}

# Serves fresh demo data, at a time that stands still; MINT_DOOR_URL says where.
stage_the_demo() {
  need_front_end
  own_database mint_e2e prod
  export MINT_DOOR_CLOCK=2026-11-24T09:00:00Z DATABASE_URL=$(bin/db url mint_e2e) APP_ENV=prod
  APP_SECRET=$(secret); export APP_SECRET
  need_container
  php bin/console demo:load --fresh
  export MINT_DOOR_NAME='Alder Quay Conservatory' POST_ROOM_HOLD=${POST_ROOM_HOLD:-3}
  local port=8097; while port_taken $port; do port=$((port + 1)); done
  serve $port
  export MINT_DOOR_URL="http://127.0.0.1:$port"
}
