# Everything that is kept, in one file and back, and whether it is as it was.

# The database's port, started for this if it does not run; then stop_if_started stops it again.
borrow_database() {
  local data=$1
  started=""
  refuse_half_restored "$data"
  if database_runs "$data"; then
    database=$(database_port "$data")
  else
    [ -f "$data/db/cluster/PG_VERSION" ] || fail "there is no Drevik in $data; set DREVIK_DATA to its folder"
    exec 9>>"$data/lock"
    flock -w 10 9 || fail "another Drevik is starting on $data; try again when it runs"
    database=$(database_up "$data")
    started=yes
  fi
}

stop_if_started() { [ -z "${started:-}" ] || database_down "$1"; }

# A restore that was cut short leaves its mark: what is there is not whole, and nobody works on it.
restore_mark=restoring
refuse_half_restored() {
  [ ! -e "$1/$restore_mark" ] || fail "a restore into $1 was cut short, and what is there is not whole: restore again (./drevik restore, with the same files), which begins anew"
}

# What is in a backup: about (its format), database (pg_dump's own format), audio/, prints/, and what
# had come of files that were still being sent: uploads/.
backup() {
  local older="" names
  file=${1:-}
  [ -n "$file" ] && { [ $# -eq 1 ] || { [ $# -eq 3 ] && [ "$2" = --since ]; }; } || { usage >&2; exit 2; }
  [ $# -eq 3 ] && older=$3
  [ -e "$file" ] && fail "$file is there already; name a new file"
  [ -z "$older" ] || [ -f "$older" ] || fail "there is no backup $older"
  file=$(realpath -m "$file")
  [ -w "$(dirname "$file")" ] || fail "the folder of $file cannot be written"
  data=$(data_folder)
  umask 077
  need_postgres
  borrow_database "$data"
  work=$(mktemp -d)
  trap 'rm -rf "$work" "$file.part"; stop_if_started "$data"' EXIT
  # The database first: what it speaks of is in the store before it is spoken of, and is never changed.
  with_password "$data" "$(postgres_bin)/pg_dump" -p "$database" -Fc drevik >"$work/database" || fail "the database could not be copied"
  printf 'Drevik backup 1\nmade %s\n' "$(date -u +%Y-%m-%dT%H:%M:%SZ)" >"$work/about"
  (cd "$data" && find audio prints uploads -type f -not -path '*.unfinished/*' 2>/dev/null | sort) >"$work/all" || true
  names="$work/all"
  if [ -n "$older" ]; then
    tar --quoting-style=literal -tf "$older" | sort >"$work/had"
    comm -23 "$work/all" "$work/had" >"$work/new"
    names="$work/new"
    printf 'since %s\n' "$(basename "$older")" >>"$work/about"
  fi
  tar -cf "$file.part" -C "$work" about database -C "$data" --verbatim-files-from -T "$names" || fail "the backup could not be written to $file"
  sync "$file.part"
  mv "$file.part" "$file"
  say "Backed up to $file: $(wc -l <"$names") files and the database, $(du -h "$file" | cut -f1)."
}

# What a backup is made of, and nothing else: a file of strangers must not write anywhere it likes.
is_backup() {
  tar --quoting-style=literal -tf "$1" 2>/dev/null >"$2" || return 1
  # Plain files: a link could lead anywhere.
  ! tar -tvf "$1" | grep -qv '^-' || return 1
  grep -qx about "$2" && grep -qx database "$2" \
    && ! grep -qvE '^(about|database|audio/[0-9a-f]{2}/[0-9a-f]{64}|prints/[^/]+/[^/]+|uploads/[^/]+)$' "$2" \
    && ! grep -qE '(^|/)\.\.(/|$)' "$2"
}

restore() {
  umask 077
  [ $# -ge 1 ] || { usage >&2; exit 2; }
  data=$(data_folder)
  [ -e "$data/$restore_mark" ] || [ -z "$(ls -A "$data" | grep -vx lock)" ] || fail "$data is not empty, and nothing is written over; set DREVIK_DATA to a new folder"
  need_postgres
  work=$(mktemp -d)
  trap 'rm -rf "$work"; database_down "$data"' EXIT
  trap 'exit 1' INT TERM
  for file in "$@"; do
    [ -f "$file" ] && is_backup "$file" "$work/names" || fail "$file is no backup of Drevik's, or is damaged"
  done
  exec 9>>"$data/lock"
  # What a command that was killed has left behind ends in a moment, and lets the lock go.
  flock -w 10 9 || fail "another Drevik is starting on $data"
  if [ -e "$data/$restore_mark" ]; then
    say "A restore into $data was cut short; it begins anew."
    database_down "$data"
    find "$data" -mindepth 1 -maxdepth 1 -not -name "$restore_mark" -not -name lock -exec rm -rf {} +
  fi
  : >"$data/$restore_mark"
  sync "$data/$restore_mark"
  close_folder "$data"
  for file in "$@"; do
    tar -xf "$file" -C "$data" --no-same-owner --exclude=about --exclude=database --skip-old-files || fail "$file could not be read to its end; $data is not whole"
  done
  tar -xOf "$1" database >"$work/database"
  database=$(database_up "$data")
  with_password "$data" "$(postgres_bin)/pg_restore" -p "$database" --no-owner --exit-on-error --single-transaction -d drevik <"$work/database" \
    || fail "the database could not be put back; $data is not whole"
  sync
  rm "$data/$restore_mark"
  say "Restored into $data."
  look_through "$data" "$database"
}

verify() {
  local result=0
  data=$(data_folder)
  umask 077
  need_postgres
  borrow_database "$data"
  trap 'stop_if_started "$data"' EXIT
  look_through "$data" "$database" || result=1
  return $result
}

# Every content that is known of is there and hashes to its name, every printed file is there and is
# what its report says; what is there and not known of is told.
look_through() {
  local data=$1 database=$2 known damaged=0 missing=0 unknown=0 files=0 hash path run name is
  known=$(mktemp)
  with_password "$data" "$(postgres_bin)/psql" -qtA -p "$database" drevik -c 'select sha256 from audio_file order by 1' >"$known"
  while read -r hash path; do
    files=$((files + 1))
    if [ "$hash" != "$(basename "$path")" ]; then
      damaged=$((damaged + 1))
      say "damaged: $path. Send its delivery again, or restore it from a backup."
    fi
  done < <(cd "$data" && find audio -type f -print0 2>/dev/null | xargs -0r sha256sum)
  while read -r hash; do
    if [ ! -f "$data/audio/${hash:0:2}/$hash" ]; then
      missing=$((missing + 1))
      say "missing: audio/${hash:0:2}/$hash. Send its delivery again, or restore it from a backup."
    fi
  done <"$known"
  while IFS=$'\t' read -r run hash name; do
    files=$((files + 1))
    path="prints/$run/$name"
    if [ ! -f "$data/$path" ]; then
      missing=$((missing + 1))
      say "missing: $path. Print it again, or restore it from a backup."
      continue
    fi
    is=$(sha256sum <"$data/$path")
    if [ "$hash" != "${is%% *}" ]; then
      damaged=$((damaged + 1))
      say "damaged: $path. Print it again, or restore it from a backup."
    fi
  done < <(with_password "$data" "$(postgres_bin)/psql" -qtA -F $'\t' -p "$database" drevik -c \
    "select r.id, f->>'sha256', f->>'file' from print_run r, jsonb_array_elements(r.report->'files') f where f->>'sha256' is not null order by 1, 3")
  unknown=$(comm -13 "$known" <(cd "$data" && find audio -type f -printf '%f\n' 2>/dev/null | sort) | wc -l)
  rm -f "$known"
  say "Looked at $files files: $damaged damaged, $missing missing, $unknown that nothing speaks of."
  [ $((damaged + missing)) -eq 0 ]
}
