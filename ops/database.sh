# The database of a data folder: a PostgreSQL of its own, on loopback, behind a password.

free_port() {
  local port
  for port in $(seq "$1" $(($1 + 200))); do
    (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null || { printf '%s' "$port"; return; }
  done
  fail "no port from $1 to $(($1 + 200)) is free on 127.0.0.1; stop a program that listens there"
}

# From the root folder: where this script lies, the user postgres may not be allowed to be.
as_postgres() { if is_root; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi; }

# The data folder is nobody else's. Root's database runs as the user postgres, who has to get through.
close_folder() {
  if is_root; then
    chgrp postgres "$1"
    chmod 0710 "$1"
  else
    chmod 0700 "$1"
  fi
}

random_password() { od -An -N24 -tx1 /dev/urandom | tr -d ' \n'; }

# psql, pg_dump … with the folder's password, which no list of processes shows.
with_password() {
  local data=$1
  shift
  PGPASSWORD=$(cat "$data/db-password") PGHOST=127.0.0.1 PGUSER=drevik "$@"
}

# True if the folder's own database runs. Its pid file may be another's: one that was copied with the
# folder names the folder that it was copied from.
database_runs() {
  local data=$1 pidfile="$1/db/cluster/postmaster.pid" pid
  [ -f "$pidfile" ] || return 1
  [ "$(sed -n 2p "$pidfile")" = "$data/db/cluster" ] || return 1
  pid=$(sed -n 1p "$pidfile")
  kill -0 "$pid" 2>/dev/null && [ "$(readlink "/proc/$pid/cwd" 2>/dev/null)" = "$data/db/cluster" ]
}

database_port() { sed -n 4p "$1/db/cluster/postmaster.pid"; }

# Made beside and moved in whole: an interrupted first start leaves nothing half-made behind.
make_database() {
  local data=$1 bin=$2 words
  mkdir -p "$data/db"
  rm -rf "$data/db/new"
  (umask 077 && random_password >"$data/db-password")
  words=$(mktemp)
  cp "$data/db-password" "$words"
  is_root && chown postgres "$data/db" "$words"
  as_postgres "$bin/initdb" -D "$data/db/new" -U drevik --auth=scram-sha-256 --pwfile="$words" -E UTF8 --locale=C.UTF-8 >"$data/initdb.log" 2>&1 \
    || { rm -f "$words"; fail "the database could not be made; see $data/initdb.log (is every folder above it open to the user postgres?)"; }
  rm -f "$words"
  as_postgres mv "$data/db/new" "$data/db/cluster"
}

# A folder that another user copied, or root: PostgreSQL serves only what is its own. Asked before
# anything else: what cannot be seen must not be taken for what is not there.
own_database() {
  local data=$1 part owner wanted
  if is_root; then wanted=postgres; else wanted=$(id -un); fi
  for part in "$data/db" "$data/db/cluster"; do
    [ -e "$part" ] || continue
    owner=$(stat -c %U "$part")
    [ "$owner" != "$wanted" ] || continue
    is_root || fail "the database in $data belongs to the user $owner, and you are $wanted. Give the folder to yourself first: sudo chown -R $wanted '$data'"
    chown -R postgres "$data/db"
  done
}

# Folders of earlier versions let every user of this machine in; this closes them.
require_password() {
  local data=$1 bin=$2 port=$3 hba="$1/db/cluster/pg_hba.conf"
  grep -qE '^(local|host).*[[:space:]]trust[[:space:]]*$' "$hba" || return 0
  [ -s "$data/db-password" ] || (umask 077 && random_password >"$data/db-password")
  PGHOST=127.0.0.1 PGUSER=drevik "$bin/psql" -qtA -p "$port" postgres >/dev/null <<<"set password_encryption = 'scram-sha-256'; alter role drevik password '$(cat "$data/db-password")'"
  sed -i -E '/^(local|host)/ s/[[:space:]]trust[[:space:]]*$/ scram-sha-256/' "$hba"
  is_root && chown postgres "$hba"
  as_postgres "$bin/pg_ctl" -D "$data/db/cluster" reload >/dev/null
}

# Starts it if it does not run, and says on which port.
database_up() {
  local data=$1 bin port cluster="$1/db/cluster"
  bin=$(postgres_bin)
  own_database "$data"
  [ -e "$cluster" ] || make_database "$data" "$bin"
  as_postgres chmod 0700 "$cluster"
  if database_runs "$data"; then
    port=$(database_port "$data")
  else
    # What a dead one, or one that was copied from, left: PostgreSQL would wait for that.
    rm -f "$cluster/postmaster.pid"
    # Each folder begins elsewhere: two that start at once would both find the same port free. All
    # lie below what the system gives to outgoing connections: such a port looks free, as nobody
    # listens there, and is taken.
    port=$(free_port $((24117 + $(printf '%s' "$data" | cksum | cut -d' ' -f1) % 4000)))
    as_postgres "$bin/pg_ctl" -D "$cluster" -l "$data/db/log" -w -t 60 \
      -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories=''" start >/dev/null 9>&- \
      || fail "the database did not start; see $data/db/log"
  fi
  require_password "$data" "$bin" "$port"
  with_password "$data" "$bin/psql" -qtA -p "$port" postgres -c "select 1 from pg_database where datname = 'drevik'" | grep -q 1 \
    || with_password "$data" "$bin/createdb" -p "$port" drevik
  printf '%s' "$port"
}

database_down() {
  database_runs "$1" || return 0
  as_postgres "$(postgres_bin)/pg_ctl" -D "$1/db/cluster" -m fast -w -t 5 stop >/dev/null 2>&1 \
    || as_postgres "$(postgres_bin)/pg_ctl" -D "$1/db/cluster" -m immediate -w -t 5 stop >/dev/null 2>&1 || true
}
