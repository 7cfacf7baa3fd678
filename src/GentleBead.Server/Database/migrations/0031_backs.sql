-- What the eye read behind a bead on a picture, and what a person left of it; the newest stands.
create table back_reading (
    id uuid primary key,
    seq bigint generated always as identity,
    picture_id uuid not null references picture,
    proposed jsonb not null,            -- what the eye said by itself
    kept jsonb not null,                -- without what a person said is no hole
    read_by uuid not null references person,
    read_at timestamptz not null default now(),
    sent bytea not null
);
create index back_reading_standing on back_reading (picture_id, seq desc);
create trigger back_reading_told after insert on back_reading for each row execute function tell_marks();

-- What the bar of 100 mm measures on the cards that a shop printed; the newest stands.
create table eye_card (
    id uuid primary key,
    seq bigint generated always as identity,
    bar_mm double precision not null check (bar_mm between 80 and 125),
    noted_by uuid not null references person,
    noted_at timestamptz not null default now(),
    sent bytea not null
);
create index eye_card_newest on eye_card (seq desc);
