-- Tablets of booths, and who stands at them.

-- What a student types at a booth's tablet, besides their name: 4 to 6 figures. It opens nothing but the booth they stand at.
create table pin (
    person_id uuid primary key references person,
    pin_hash text not null,
    set_by uuid not null references person,
    set_at timestamptz not null default now()
);

-- A code an instructor shows: typed or read at a tablet, it is that booth's from then on. Used once, within a quarter of an hour.
create table pairing_code (
    id uuid primary key,
    seq bigint generated always as identity unique,
    booth_id uuid not null references booth,
    code_hash bytea not null unique check (length(code_hash) = 32),
    made_by uuid not null references person,
    made_at timestamptz not null default now(),
    good_until timestamptz not null,
    used_at timestamptz
);

-- A tablet belongs to a booth and to nobody. Its key changes by itself; the one before is good until the new one was used.
create table tablet (
    id uuid primary key,
    seq bigint generated always as identity unique,
    booth_id uuid not null references booth,
    name text not null check (length(name) between 1 and 60),
    key_hash bytea not null unique check (length(key_hash) = 32),
    former_key_hash bytea unique check (length(former_key_hash) = 32),
    key_made_at timestamptz not null default now(),
    paired_by uuid not null references person,
    paired_at timestamptz not null default now(),
    seen_at timestamptz not null default now(),
    put_away_at timestamptz,
    put_away_by uuid references person
);
create index tablet_at on tablet (booth_id) where put_away_at is null;

-- Who stands at a tablet, as they said by name and PIN, for a slot of a session at the longest.
create table tablet_sign_in (
    id uuid primary key,
    seq bigint generated always as identity unique,
    tablet_id uuid not null references tablet,
    session_id uuid not null references session,
    student_id uuid not null references person,
    since timestamptz not null default now(),
    good_until timestamptz not null,
    touched_at timestamptz not null default now(),
    ended_at timestamptz
);
create index tablet_sign_in_of on tablet_sign_in (tablet_id, seq desc);

create function trail_tablet() returns trigger language plpgsql as $$
begin
    if tg_op = 'INSERT' then
        perform leave_trail(new.paired_at, new.paired_by, 'tabletPaired', new.name, new.id);
    else
        perform leave_trail(new.put_away_at, new.put_away_by, 'tabletPutAway', new.name, new.id);
    end if;
    return null;
end $$;
create trigger tablet_trailed after insert or update of put_away_at on tablet for each row execute function trail_tablet();

create function trail_pin() returns trigger language plpgsql as $$
begin
    perform leave_trail(new.set_at, new.set_by, 'pinSet', name, id) from person where id = new.person_id;
    return null;
end $$;
create trigger pin_trailed after insert or update on pin for each row execute function trail_pin();

-- The lines of a tablet that was put away are closed, like those of a sign-in that was ended; rooms are told of both.
create function tell_tablet() returns trigger language plpgsql as $$
begin
    if tg_op = 'UPDATE' then
        perform tell_room('signedOut', null, null, new.id, null);
    end if;
    perform tell_room('tablet', new.booth_id, null);
    return null;
end $$;
create trigger tablet_told after insert or update of put_away_at on tablet for each row execute function tell_tablet();

create function tell_tablet_sign_in() returns trigger language plpgsql as $$
begin
    perform tell_room('tablet', (select booth_id from tablet where id = new.tablet_id), new.student_id);
    return null;
end $$;
create trigger tablet_sign_in_told after insert or update of ended_at on tablet_sign_in for each row execute function tell_tablet_sign_in();
