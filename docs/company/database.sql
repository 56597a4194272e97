-- A database of Levamen in a PostgreSQL (13 or newer) that you keep yourself. Run once, as one who may create roles and databases:
--   psql -v serving="'a long password'" -v owning="'another one'" -f database.sql
-- Then, on every machine that serves it:
--   LEVAMEN_DATABASE_URL='postgres://levamen_app:…@host:5432/levamen' LEVAMEN_MIGRATION_URL='postgres://levamen_owner:…@host:5432/levamen' ./levamen start

-- Owns the tables: the program migrates as this role, and does nothing else as it.
CREATE ROLE levamen_owner LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE PASSWORD :owning;
-- Serves: may read and write rows, and sees those of one company at a time.
CREATE ROLE levamen_app LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS PASSWORD :serving;

CREATE DATABASE levamen OWNER levamen_owner ENCODING 'UTF8' TEMPLATE template0;
REVOKE ALL ON DATABASE levamen FROM PUBLIC;
GRANT CONNECT ON DATABASE levamen TO levamen_app;
\connect levamen
ALTER SCHEMA public OWNER TO levamen_owner;

-- For ./levamen backup, ./levamen restore and the daily backups: a role that makes databases (PostgreSQL 15 or newer; before, an administrator),
-- named in LEVAMEN_ADMIN_URL='postgres://levamen_admin:…@host:5432/postgres'. It reads every company's rows.
--   CREATE ROLE levamen_admin LOGIN CREATEDB PASSWORD '…';
--   GRANT levamen_owner, pg_signal_backend TO levamen_admin;
