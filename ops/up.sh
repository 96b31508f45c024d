# Starts Drevik on a data folder, and watches over it until it is told to stop.

server_jar="$here/server/target/drevik-server.jar"
server_classes="$here/server/target/server.jsa"

# Asked without curl, which an empty machine does not have.
answers() {
  local status
  { exec 3<>"/dev/tcp/127.0.0.1/$1"; } 2>/dev/null || return 1
  printf 'GET %s HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n' "$2" >&3
  read -r -t 5 status <&3 || true
  exec 3>&-
  case $status in *" 20"*) return 0 ;; *) return 1 ;; esac
}

is_ready() { answers "$1" /api/ready; }

data_folder() {
  local data
  if is_root; then data=${DREVIK_DATA:-/var/lib/drevik}; else data=${DREVIK_DATA:-${XDG_DATA_HOME:-$HOME/.local/share}/drevik}; fi
  mkdir -p "$data" 2>/dev/null && [ -w "$data" ] || fail "the data folder $data cannot be written; set DREVIK_DATA to one that can"
  (cd "$data" && pwd -P)
}

# One Drevik on one folder. The server holds the lock too: it may have outlived the script that
# watched over it, and is then stopped, so that somebody watches again.
lock_folder() {
  local data=$1 watcher server
  exec 9>>"$data/lock"
  flock -n 9 && return
  watcher=$(cat "$data/up.pid" 2>/dev/null || true)
  if [ -n "$watcher" ] && grep -qa drevik "/proc/$watcher/cmdline" 2>/dev/null; then
    if [ -f "$data/url" ]; then say "Drevik is running already: $(cat "$data/url")"; else say "Drevik is starting already, on $data."; fi
    exit 0
  fi
  server=$(cat "$data/server.pid" 2>/dev/null || true)
  if [ -n "$server" ]; then
    say "A server was left alone on this folder; it is stopped and started again."
    stop_server "$server"
  fi
  flock -w 10 9 || fail "a backup, or another command, works on $data; start when it is done"
}

# A print or an upload that this cuts short is taken up again at the next start.
stop_server() {
  local pid=$1 tries
  [ -n "$pid" ] && grep -qa drevik-server "/proc/$pid/cmdline" 2>/dev/null || return 0
  kill -TERM "$pid" 2>/dev/null || true
  for tries in $(seq 35); do
    kill -0 "$pid" 2>/dev/null || return 0
    sleep 0.1
  done
  kill -KILL "$pid" 2>/dev/null || true
}

# What is said, in MB; else an eighth of the machine's memory, and never less than it runs in nor
# more than it needs.
server_memory() {
  [ -z "${DREVIK_MEMORY:-}" ] || { printf '%s' "$DREVIK_MEMORY"; return; }
  awk '/^MemTotal:/ {m = int($2 / 1024 / 8); if (m < 768) m = 768; if (m > 3072) m = 3072; print m; found = 1} END {if (!found) print 1024}' /proc/meminfo 2>/dev/null || echo 1024
}

# What a start asks of Java: what is only busy now is not optimised to the end, as that takes more of
# two cores than the start itself; no collection because classes fill their first room; what the build
# found out about beans is not found out again.
for_the_start=(-XX:Tier3DelayOn=0 -XX:Tier4InvocationThreshold=30000 -XX:Tier4MinInvocationThreshold=10000
  -XX:Tier4CompileThreshold=100000 -XX:Tier4BackEdgeThreshold=200000
  -XX:+UnlockDiagnosticVMOptions "-XX:CompilerDirectivesFile=$here/ops/start-only.json"
  -XX:MetaspaceSize=192m -Dspring.aot.enabled=true)

# The server's Java on a data folder and its database; what is given goes in front of the program.
server_java() {
  local data=$1 database=$2 port=$3
  shift 3
  DREVIK_DB_URL="jdbc:postgresql://127.0.0.1:$database/drevik" DREVIK_DB_PASSWORD=$(cat "$data/db-password") \
    DREVIK_PG_DUMP="$(postgres_bin)/pg_dump" DREVIK_DATA="$data" DREVIK_PORT=$port DREVIK_DEMO=${DREVIK_DEMO:-true} \
    exec java -XX:+UseParallelGC -Xmx"$(server_memory)m" -XX:+ExitOnOutOfMemoryError -Djava.io.tmpdir="$data/tmp" "${engine[@]}" "${for_the_start[@]}" "$@"
}

# Out of memory ends the server at once: nothing is half done then, and it is started again.
start_server() {
  local data=$1 database=$2 port=$3 shared=(-Xshare:auto)
  rm -rf "$data/tmp"
  mkdir -p "$data/tmp"
  [ ! -f "$server_classes" ] || shared+=(-Xlog:disable -Xlog:all=off "-XX:SharedArchiveFile=$server_classes")
  server_java "$data" "$database" "$port" "${shared[@]}" -jar "$server_jar" \
    --logging.file.name="$data/server.log" --logging.threshold.console=off >"$data/server.out" 2>&1 &
  server=$!
  # So that the shell says nothing of its own when it is killed.
  disown "$server"
  printf '%s' "$server" >"$data/server.pid.new"
  mv "$data/server.pid.new" "$data/server.pid"
}

# Once after each build, beside the running server: one that starts, answers, keeps its loaded classes
# for the next start, which is then twice as fast, and ends. It does no work, and its folder is its
# own: were it cut short, it would leave something behind among the arriving files.
share_server_classes() {
  local data=$1 database=$2 made="$server_classes.$$"
  if [ "$server_classes" -nt "$server_jar" ]; then return; fi
  {
    find "${server_classes%/*}" -name "${server_classes##*/}.*" -mmin +5 -delete
    # Another may be at it too, on another folder: each has a file of its own until it is whole.
    keep_classes_of_a_start "$data" "$database" "$(free_port 8717)" "$made" \
      && mv "$made" "$server_classes" || rm -f "$made"
  } >/dev/null 2>&1 9>&- &
  disown $!
}

keep_classes_of_a_start() {
  local data=$1 database=$2 port=$3 made=$4 server
  server_java "$data" "$database" "$port" "-XX:ArchiveClassesAtExit=$made" -jar "$server_jar" \
    --drevik.data="$data/tmp/classes" --drevik.works=false --drevik.demo=false --logging.threshold.console=off &
  server=$!
  for _ in $(seq 120); do
    if ! kill -0 "$server"; then return 1; fi
    # Whoever wanted it has ended, and the database with it.
    if [ ! -f "$data/up.pid" ]; then
      kill -KILL "$server"
      return 1
    fi
    if answers "$port" /api/ready && answers "$port" /api/mixes; then break; fi
    sleep 0.5
  done
  kill -TERM "$server"
  wait "$server"
  [ -s "$made" ]
}

# What the server itself said that it cannot start for; its other words are in its log.
why_it_ended() { sed -n 's/^drevik: //p' "$1/server.out" | tail -n 1; }

# In one move: who reads it finds the old one or the new one.
say_where() {
  local data=$1 url=$2
  printf '%s' "$url" >"$data/url.new"
  mv "$data/url.new" "$data/url"
  printf 'Drevik: %s\n' "$url"
  case ${DREVIK_ADDRESS:-127.0.0.1} in
    127.* | localhost | ::1) ;;
    *) say "Whoever reaches this machine at $DREVIK_ADDRESS may see and change everything: there are no accounts. Let only your own network reach it." ;;
  esac
  [ ! -d "$data/demo" ] || say "A delivery to drop by hand: $data/demo. Ctrl-C stops everything."
}

shut_down() {
  stop_server "${server:-}"
  database_down "$data"
  rm -f "$data/url" "$data/up.pid" "$data/server.pid"
}

# Looks every second whether both live, from the first start on, and starts again what died; not for
# ever what never gets ready.
watch_over() {
  local data=$1 database=$2 port=$3 deaths=0 starting=yes why
  while true; do
    if ! database_runs "$data"; then
      say "The database ended; it is started again."
      restart_database "$data" "$database"
    fi
    if ! kill -0 "$server" 2>/dev/null; then
      why=$(why_it_ended "$data")
      [ -z "$why" ] || fail "$why"
      deaths=$((deaths + 1))
      [ "$deaths" -le 5 ] || fail "the server ended again and again before it was ready; see the end of $data/server.log and $data/server.out"
      say "The server ended; it is started again."
      start_server "$data" "$database" "$port"
    elif { [ "$deaths" -gt 0 ] || [ -n "$starting" ]; } && is_ready "$port"; then
      deaths=0
      if [ -n "$starting" ]; then
        starting=""
        say_where "$data" "http://127.0.0.1:$port/"
        share_server_classes "$data" "$database"
      fi
    fi
    sleep "$([ -n "$starting" ] && echo 0.5 || echo 1)" 9>&- &
    wait $! || true
  done
}

# On the port that the server knows.
restart_database() {
  local data=$1 port=$2
  rm -f "$data/db/cluster/postmaster.pid"
  as_postgres "$(postgres_bin)/pg_ctl" -D "$data/db/cluster" -l "$data/db/log" -w -t 60 \
    -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories=''" start >/dev/null 9>&- \
    || say "The database does not start; see $data/db/log. It is tried again."
}

up() {
  local database port
  umask 077
  data=$(data_folder)
  lock_folder "$data"
  refuse_half_restored "$data"
  printf '%s' "$$" >"$data/up.pid"
  need_tools
  build
  # The first start makes a database and the demo; later ones need only what is received.
  if [ -d "$data/db" ]; then need_space "$data" 60; else need_space "$data" 1000; fi
  close_folder "$data"
  trap 'shut_down; exit 0' INT TERM
  trap 'shut_down' EXIT
  if [ -d "$data/demo" ] || [ "${DREVIK_DEMO:-true}" != true ]; then
    say "Starting."
  else
    say "Starting; the demo is made once, which takes half a minute."
  fi
  database=$(database_up "$data") || exit 1
  port=$(free_port "${DREVIK_PORT:-8117}")
  start_server "$data" "$database" "$port"
  watch_over "$data" "$database" "$port"
}
