-- Recordings of the arc with their findings; the stand-in devices of a booth; drills of the practice room.

create table recording (
    id uuid primary key,
    bead_id uuid not null references bead,
    kind text not null check (kind in ('sound', 'log')),
    origin text not null check (origin in ('file', 'microphone', 'standIn')),
    name text not null check (length(name) <= 120),
    finding jsonb not null,
    length bigint not null check (length > 0),
    added_by uuid not null references person,
    added_at timestamptz not null default now(),
    withdrawn_at timestamptz
);
create index recording_bead on recording (bead_id);

-- In parts, so that a place in the middle can be played without reading what lies before it.
create table recording_part (
    recording_id uuid not null references recording,
    number int not null check (number >= 0),
    bytes bytea not null check (length(bytes) between 1 and 262144),
    primary key (recording_id, number)
);

create table stand_in (
    booth_id uuid primary key references booth,
    microphone boolean not null,
    logger boolean not null
);

create table drill (
    id uuid primary key,
    person_id uuid not null references person,
    body jsonb not null,
    given_at timestamptz not null default now()
);
create index drill_person on drill (person_id, given_at);

create table drill_answer (
    drill_id uuid primary key references drill,
    heard text,
    answer text,
    "right" boolean not null,
    answered_at timestamptz not null default now()
);

create trigger recording_told after insert or update on recording for each row execute function tell_of_bead();
