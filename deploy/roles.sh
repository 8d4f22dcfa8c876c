#!/bin/sh
# The two roles of Tufa: one owns the schema and migrates it, one serves and is bound by row security.
set -eu
psql -v ON_ERROR_STOP=1 -U postgres -d tufa -v owner="$OWNER_SECRET" -v app="$APP_SECRET" <<'SQL'
create role tufa_owner login password :'owner' nosuperuser nobypassrls;
create role tufa_app login password :'app' nosuperuser nobypassrls;
grant create on database tufa to tufa_owner;
alter schema public owner to tufa_owner;
grant usage on schema public to tufa_app;
SQL
