-- An instructor's word on what was behind a bead, with the bead's signs as they were; and what a room's words have taught.
create table cause_ruling (
    id uuid primary key,
    seq bigint generated always as identity unique,
    bead_id uuid not null references bead,
    process text not null,
    tool text not null,
    instructor text not null,
    reason text not null check (length(reason) <= 300),
    signs jsonb not null,
    ruled_by uuid not null references person,
    ruled_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32),
    check (tool = instructor or length(reason) > 0)
);
create index cause_ruling_standing on cause_ruling (bead_id, seq desc);

create table room_weights (
    id uuid primary key,
    seq bigint generated always as identity unique,
    switched_on boolean not null,
    body jsonb not null,
    made_by uuid not null references person,
    made_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
