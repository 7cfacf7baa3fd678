-- The school's key that logbooks are signed with, and logbooks that came from elsewhere.

create table school_key (
    id uuid primary key,
    seq bigint generated always as identity unique,
    public_key bytea not null,
    private_key text not null,          -- under the keys of data protection
    made_at timestamptz not null default now()
);
create trigger school_key_kept before update or delete on school_key for each row execute function only_added_to();

create table foreign_logbook (
    id uuid primary key,
    seq bigint generated always as identity unique,
    student_id uuid not null references person,
    school text not null check (length(school) <= 200),
    fingerprint text not null,
    body jsonb not null,
    summary jsonb not null,             -- what a screen shows of it, so that none reads the whole
    read_by uuid not null references person,
    read_at timestamptz not null default now(),
    withdrawn_at timestamptz,
    sent bytea check (length(sent) = 32)
);
create index foreign_logbook_of_student on foreign_logbook (student_id, seq desc) where withdrawn_at is null;
create trigger foreign_logbook_told after insert or update on foreign_logbook for each row execute function tell_progress();
