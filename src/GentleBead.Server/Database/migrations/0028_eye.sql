-- What the eye read of a bead's face on a picture, and what a person made of it; the newest stands.
create table face_reading (
    id uuid primary key,
    seq bigint generated always as identity,
    picture_id uuid not null references picture,
    proposed jsonb,                     -- what the eye said by itself; null where it could not
    kept jsonb not null,                -- what was kept, with the toes as a person left them
    read_by uuid not null references person,
    read_at timestamptz not null default now(),
    sent bytea not null
);
create index face_reading_standing on face_reading (picture_id, seq desc);
create trigger face_reading_told after insert on face_reading for each row execute function tell_marks();
