-- People, machines, booths, sessions, sheets and beads.

create table school (
    only_one boolean primary key default true check (only_one),
    name text not null,
    demo boolean not null
);

create table person (
    id uuid primary key,
    login text not null check (login ~ '^[a-z0-9._-]{2,40}$'),
    name text not null check (length(name) between 1 and 80),
    role text not null check (role in ('instructor', 'student')),
    units text not null default 'metric' check (units in ('metric', 'inch')),
    password_hash text not null,
    added_at timestamptz not null default now()
);
create unique index person_login on person (login);

create table data_protection_key (
    name text primary key,
    xml text not null,
    added_at timestamptz not null default now()
);

create table machine (
    id uuid primary key,
    name text not null unique check (length(name) between 1 and 60),
    wire text not null check (wire in ('solid06', 'solid08', 'solid09', 'solid12')),
    wire_kind text not null check (wire_kind in ('digital', 'knob', 'tap')),
    wire_lowest_mark double precision not null,
    wire_highest_mark double precision not null,
    wire_mark_step double precision not null check (wire_mark_step > 0),
    wire_unit text not null check (wire_unit in ('', 'in/min', 'm/min')),
    volt_kind text not null check (volt_kind in ('digital', 'knob', 'tap')),
    volt_lowest_mark double precision not null,
    volt_highest_mark double precision not null,
    volt_mark_step double precision not null check (volt_mark_step > 0),
    volt_unit text not null check (volt_unit in ('', 'V')),
    check (wire_highest_mark > wire_lowest_mark),
    check (volt_highest_mark > volt_lowest_mark),
    check ((wire_kind = 'digital') = (wire_unit <> '')),
    check ((volt_kind = 'digital') = (volt_unit <> ''))
);

-- Measured points are only added, and withdrawn when they were wrong; a calibration is all standing readings of a control.
create table reading (
    id uuid primary key,
    machine_id uuid not null references machine,
    control text not null check (control in ('wire', 'volt')),
    mark double precision not null,
    measured double precision not null check (measured > 0), -- m/min for wire, volts for volt
    taken_at timestamptz not null default now(),
    withdrawn_at timestamptz
);
create index reading_machine on reading (machine_id);

create table booth (
    id uuid primary key,
    number int not null unique check (number between 1 and 99),
    machine_id uuid not null unique references machine
);

create table session (
    id uuid primary key,
    title text not null check (length(title) between 1 and 80),
    held_on date not null unique
);

create table place (
    session_id uuid not null references session,
    booth_id uuid not null references booth,
    student_id uuid not null references person,
    primary key (session_id, booth_id),
    unique (session_id, student_id)
);

create table sheet (
    id uuid primary key,
    session_id uuid not null references session,
    booth_id uuid not null references booth,
    student_id uuid not null references person,
    thickness_mm double precision not null check (thickness_mm > 0),
    joint text not null,
    position text not null,
    wire text not null,
    body jsonb not null,          -- the sheet as it was computed that day
    rules_version int not null,
    assigned_by uuid not null references person,
    assigned_at timestamptz not null default now()
);
create index sheet_place on sheet (session_id, booth_id, student_id, assigned_at desc);
create index sheet_student on sheet (student_id, assigned_at desc);

create table bead (
    id uuid primary key,
    sheet_id uuid not null references sheet,
    number int not null check (number > 0),
    wire_mark double precision,   -- null when the physical value was given instead
    volt_mark double precision,
    wire_feed_m_per_min double precision not null check (wire_feed_m_per_min > 0),
    volts double precision not null check (volts > 0),
    evidence jsonb not null,      -- what was heard, seen and measured
    judgement jsonb not null,     -- what was said of it that day
    verdict text not null check (verdict in ('right', 'cold', 'hot', 'unsteady', 'technique', 'fault', 'open')),
    rules_version int not null,
    recorded_by uuid not null references person,
    recorded_at timestamptz not null default now(),
    withdrawn_by uuid references person,
    withdrawn_at timestamptz,
    unique (sheet_id, number),
    check ((withdrawn_by is null) = (withdrawn_at is null))
);

-- Every change is told from the database itself, so that it reaches each server and each screen whoever wrote it.
create function tell_room(kind text, booth uuid, student uuid) returns void language sql as $$
    select pg_notify('room', json_build_object('kind', kind, 'boothId', booth, 'studentId', student)::text);
$$;

create function tell_place() returns trigger language plpgsql as $$
begin
    if tg_op <> 'INSERT' then perform tell_room('place', old.booth_id, old.student_id); end if;
    if tg_op <> 'DELETE' then perform tell_room('place', new.booth_id, new.student_id); end if;
    return null;
end $$;
create trigger place_told after insert or update or delete on place for each row execute function tell_place();

create function tell_sheet() returns trigger language plpgsql as $$
begin
    perform tell_room('sheet', new.booth_id, new.student_id);
    return null;
end $$;
create trigger sheet_told after insert on sheet for each row execute function tell_sheet();

create function tell_bead() returns trigger language plpgsql as $$
begin
    perform tell_room('bead', sheet.booth_id, sheet.student_id) from sheet where sheet.id = new.sheet_id;
    return null;
end $$;
create trigger bead_told after insert or update on bead for each row execute function tell_bead();

create function tell_session() returns trigger language plpgsql as $$
begin
    perform tell_room('session', null, null);
    return null;
end $$;
create trigger session_told after insert on session for each row execute function tell_session();

create function tell_reading() returns trigger language plpgsql as $$
begin
    perform tell_room('machine', booth.id, null) from booth where booth.machine_id = new.machine_id;
    return null;
end $$;
create trigger reading_told after insert or update on reading for each row execute function tell_reading();
