-- What the eye would have marked on a section, beside each marking of a person's: how good the eye is.
create table section_reading (
    id uuid primary key,                -- of the marks it stands beside
    seq bigint generated always as identity,
    picture_id uuid not null references picture,
    proposed jsonb,                     -- where it would have marked; null where it could not
    measured jsonb,                     -- what that measures; null likewise
    kept jsonb not null,                -- what the person's marks measure
    read_at timestamptz not null default now()
);
create index section_reading_newest on section_reading (seq desc);
create index section_reading_of_picture on section_reading (picture_id);
create index face_reading_newest on face_reading (seq desc);
