-- The notes of a session, newest first, are found without its visits that say nothing.
create index visit_noted on visit (session_id, seq desc) where note <> '';
