# A database with a standby that has every write before it is acknowledged, on loopback: `pair.sh start P1 P2` prints its folder;
# `pair.sh lose FOLDER` ends the first as a lost machine does and makes the second the first; `pair.sh end FOLDER` takes both away.
. bin/steps.sh
need_postgres
ctl() { as_postgres "$PGBIN/pg_ctl" -D "$1" -w -t 60 "${@:2}" >/dev/null; }
ask() { "$PGBIN/psql" -Atq -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$1" -U elmhorn_owner -d "$2" -c "$3"; }
conf() { printf '%s\n' "${@:2}" | as_postgres tee -a "$1/postgresql.conf" >/dev/null; }
case "$1" in
  start)
    D=$(as_postgres mktemp -d "${TMPDIR:-/tmp}/elmhorn-pair-XXXXXX")
    as_postgres "$PGBIN/initdb" -D "$D/first" -U elmhorn_owner --auth=trust -E UTF8 --locale=C.UTF-8 >/dev/null
    conf "$D/first" "port = $2" "listen_addresses = '127.0.0.1'" "unix_socket_directories = ''" "shared_buffers = 64MB"
    ctl "$D/first" -l "$D/first.log" start
    ask "$2" postgres "create role elmhorn_app nologin nobypassrls; create role elmhorn_web login nobypassrls in role elmhorn_app"
    ask "$2" postgres "create database elmhorn"
    as_postgres "$PGBIN/pg_basebackup" -D "$D/second" -R -X stream -c fast -h 127.0.0.1 -p "$2" -U elmhorn_owner >/dev/null
    conf "$D/second" "port = $3" "primary_conninfo = 'host=127.0.0.1 port=$2 user=elmhorn_owner application_name=second'"
    as_postgres sed -i '/^primary_conninfo/d' "$D/second/postgresql.auto.conf"
    ctl "$D/second" -l "$D/second.log" start
    ask "$2" postgres "alter system set synchronous_standby_names = 'second'" && ask "$2" postgres "select pg_reload_conf()" >/dev/null
    for _ in $(seq 100); do
      [ "$(ask "$2" postgres "select count(*) from pg_stat_replication where sync_state = 'sync'")" = 1 ] && break
      sleep 0.1
    done
    echo "$D"
    ;;
  lose)
    MASTER=$(as_postgres head -1 "$2/first/postmaster.pid")
    pkill -9 -P "$MASTER" || true
    kill -9 "$MASTER"
    ctl "$2/second" promote
    ;;
  end)
    for one in first second; do ctl "$2/$one" -m immediate stop 2>/dev/null || true; done
    rm -rf "$2"
    ;;
esac
