-- The floor of a session that is on: hands that go up, the instructor's round, slots that begin, stopping everything, closing down.

alter table place add column placed_at timestamptz not null default now();

-- A student's hand, up until somebody lowers it.
create table hand (
    id uuid primary key,
    seq bigint generated always as identity unique,
    session_id uuid not null references session,
    booth_id uuid not null references booth,
    student_id uuid not null references person,
    reason text not null check (reason in ('danger', 'help', 'look', 'done')),
    raised_at timestamptz not null default now(),
    lowered_at timestamptz,
    lowered_by uuid references person,
    sent bytea check (length(sent) = 32)
);
create index hand_of_student on hand (session_id, student_id);
create unique index hand_up on hand (session_id, student_id) where lowered_at is null;

-- An instructor was at a booth, and what they noted of whoever stood there.
create table visit (
    id uuid primary key,
    seq bigint generated always as identity unique,
    session_id uuid not null references session,
    booth_id uuid not null references booth,
    student_id uuid not null references person,
    note text not null default '' check (length(note) <= 600),
    visited_by uuid not null references person,
    visited_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create index visit_in_session on visit (session_id, student_id, seq desc);
create index visit_of_student on visit (student_id, seq desc) where note <> '';
create trigger visit_kept before update or delete on visit for each row execute function only_added_to();

-- A slot of the plan that was begun: its places were set and its sheets given out.
create table slot_begun (
    id uuid primary key,
    seq bigint generated always as identity unique,
    session_id uuid not null references session,
    slot int not null check (slot between 0 and 11),
    begun_by uuid not null references person,
    begun_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create index slot_begun_of on slot_begun (session_id, seq desc);
create trigger slot_begun_kept before update or delete on slot_begun for each row execute function only_added_to();

-- Everything is stopped, on every screen of the school, until an instructor ends it.
create table stop (
    id uuid primary key,
    seq bigint generated always as identity unique,
    room_id uuid not null references room,
    stopped_by uuid not null references person,
    stopped_at timestamptz not null default now(),
    ended_at timestamptz,
    ended_by uuid references person,
    sent bytea check (length(sent) = 32)
);
create index stop_on on stop (seq desc) where ended_at is null;

-- A session was closed down; the newest word stands.
create table session_close (
    id uuid primary key,
    seq bigint generated always as identity unique,
    session_id uuid not null references session,
    ticked text[] not null,
    note text not null default '' check (length(note) <= 600),
    closed_by uuid not null references person,
    closed_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create index session_close_of on session_close (session_id, seq desc);
create trigger session_close_kept before update or delete on session_close for each row execute function only_added_to();

create function tell_floor() returns trigger language plpgsql as $$
begin
    perform tell_room('floor', new.booth_id, new.student_id);
    return null;
end $$;
create trigger hand_told after insert or update on hand for each row execute function tell_floor();
create trigger visit_told after insert on visit for each row execute function tell_floor();

-- What is of the whole room and of no booth.
create function tell_floor_room() returns trigger language plpgsql as $$
begin
    perform tell_room('floor', null, null);
    return null;
end $$;
create trigger slot_begun_told after insert on slot_begun for each statement execute function tell_floor_room();
create trigger session_close_told after insert on session_close for each statement execute function tell_floor_room();

-- What everybody who is signed in has to know at once.
create function tell_stop() returns trigger language plpgsql as $$
begin
    perform pg_notify('room', json_build_object('kind', 'stop', 'everybody', true)::text);
    return null;
end $$;
create trigger stop_told after insert or update on stop for each statement execute function tell_stop();
