-- Whether a student lets their pictures teach the eye elsewhere too; the newest word stands.
create table picture_leave (
    id uuid primary key,
    seq bigint generated always as identity,
    person_id uuid not null references person,
    given boolean not null,
    said_at timestamptz not null default now(),
    sent bytea not null
);
create index picture_leave_standing on picture_leave (person_id, seq desc);
