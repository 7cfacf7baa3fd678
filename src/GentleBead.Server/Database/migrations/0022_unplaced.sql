-- Beads that waited for the network and could not be recorded any more when it was back: their session was cancelled, their sheet is of
-- another booth by now. Nothing of them is dropped; an instructor puts them where they belong, or aside.
create table unplaced_bead (
    id uuid primary key,
    seq bigint generated always as identity unique,
    student_id uuid not null references person,
    tablet_id uuid references tablet,
    body jsonb not null,                    -- the request as it was sent
    why jsonb not null,
    noted_at timestamptz not null,
    kept_at timestamptz not null default now(),
    sent bytea not null check (length(sent) = 32),
    settled_at timestamptz,
    settled_by uuid references person,
    placed boolean not null default false   -- settled and not placed: put aside
);
create index unplaced_bead_open on unplaced_bead (seq) where settled_at is null;
create index unplaced_bead_of on unplaced_bead (student_id) where settled_at is null;

-- Their pictures and recordings, as they were sent.
create table unplaced_file (
    id uuid primary key,
    bead_id uuid not null references unplaced_bead,
    kind text not null check (kind in ('picture', 'recording')),
    detail text not null check (length(detail) <= 200),    -- which side it shows; what the recording is called
    bytes bytea not null,
    kept_at timestamptz not null default now(),
    sent bytea not null check (length(sent) = 32)
);
create index unplaced_file_of on unplaced_file (bead_id);

create function tell_unplaced() returns trigger language plpgsql as $$
begin
    perform tell_room('unplaced', null, new.student_id);
    return null;
end $$;
create trigger unplaced_bead_told after insert or update on unplaced_bead for each row execute function tell_unplaced();
