-- What the servers may, so that a fault in one of them reaches no further than its work does. Run by whoever owns the tables, after every
-- migration; running it again changes nothing. psql variables: admin and shop, the two roles.
--
-- admin   the management interface and the worker: all that people and jobs write. It cannot change or remove what stands in the audit
--         log, nor change a table.
-- shop    the storefront: reads what visitors and previews get, counts visits, takes sign-ups. It cannot write the workbench, nor read
--         anything about the people who work here.
\set ON_ERROR_STOP on
BEGIN;
REVOKE ALL ON ALL TABLES IN SCHEMA workbench, live, catalogue, journal FROM :"admin", :"shop";
REVOKE ALL ON ALL SEQUENCES IN SCHEMA workbench, live, catalogue, journal FROM :"admin", :"shop";
REVOKE CREATE ON SCHEMA public FROM PUBLIC;
GRANT USAGE ON SCHEMA workbench, live, catalogue, journal, public TO :"admin", :"shop";

GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA workbench, live, catalogue, journal TO :"admin";
GRANT USAGE, SELECT ON ALL SEQUENCES IN SCHEMA workbench, live, catalogue, journal TO :"admin";
REVOKE INSERT, UPDATE, DELETE ON journal.audit FROM :"admin";
GRANT SELECT ON public.migration TO :"admin", :"shop";
GRANT EXECUTE ON FUNCTION journal.forget_audit(), journal.add_audit(uuid, text, text, jsonb, text), journal.measure(text) TO :"admin";

GRANT SELECT ON ALL TABLES IN SCHEMA live, workbench, catalogue TO :"shop";
GRANT SELECT ON journal.release, journal.release_row, journal.preview_key, journal.looks_set, journal.alternative, journal.redirect_mark, journal.redirect_tally TO :"shop";
GRANT SELECT, INSERT, UPDATE ON journal.visit, journal.visited, journal.missed_visit, journal.missed_search, journal.subscriber TO :"shop";
GRANT SELECT, INSERT, UPDATE, DELETE ON journal.sign_up_asked TO :"shop";
-- It sends, and reads of what waits no more than the number that its own message got.
GRANT INSERT, SELECT (id) ON journal.message TO :"shop";
GRANT USAGE ON ALL SEQUENCES IN SCHEMA journal TO :"shop";
COMMIT;
