-- A school has rooms, a room has booths, a booth has machines, and a machine moves: what was learned about it is its own and goes with it.

create table room (
    id uuid primary key,
    seq bigint generated always as identity unique,
    name text not null check (length(name) between 1 and 60),
    version int not null default 1,
    added_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create unique index room_name on room (lower(name));
-- What was one room is the first; a new school begins with one too.
insert into room (id, name) values (gen_random_uuid(), 'Shop');

alter table booth
    drop constraint booth_number_key,
    add column room_id uuid references room,
    add column version int not null default 1,
    add column sent bytea check (length(sent) = 32);
update booth set room_id = (select id from room);
alter table booth alter column room_id set not null, add constraint booth_number unique (room_id, number);

-- A session is held in one room.
alter table session disable trigger user;
alter table session add column room_id uuid references room;
update session set room_id = (select id from room);
alter table session alter column room_id set not null;
alter table session enable trigger user;

-- Where a machine was put; the newest stands. In no booth: on the shelf, lent or at the repairer's, as the note says.
create table machine_move (
    id uuid primary key,
    seq bigint generated always as identity unique,
    machine_id uuid not null references machine,
    booth_id uuid references booth,
    note text not null default '' check (length(note) <= 200),
    moved_by uuid references person,    -- null where it stood before moves were noted
    moved_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create index machine_move_standing on machine_move (machine_id, seq desc);
insert into machine_move (id, machine_id, booth_id) select gen_random_uuid(), machine_id, id from booth order by number;

-- Where it stands now, kept up from its moves, and which came first into its booth.
alter table machine
    add column booth_id uuid references booth,
    add column moved bigint;
update machine set booth_id = machine_move.booth_id, moved = machine_move.seq from machine_move where machine_move.machine_id = machine.id;
create index machine_of_booth on machine (booth_id, moved) where booth_id is not null;

-- A sheet keeps the machine it was made for, wherever that is moved to.
alter table sheet disable trigger user;
alter table sheet add column machine_id uuid references machine;
update sheet set machine_id = booth.machine_id from booth where booth.id = sheet.booth_id;
alter table sheet alter column machine_id set not null;
alter table sheet enable trigger user;
create index sheet_of_machine on sheet (machine_id, seq desc);

alter table booth drop column machine_id;

-- A booth with the machine that came into it first: the one at hand until a sheet names another.
create view booth_now as
select booth.id, booth.number, booth.room_id, booth.version,
    (select machine.id from machine where machine.booth_id = booth.id order by machine.moved limit 1) as machine_id
from booth;

create or replace view machine_now as
select machine.id, machine.seq, machine.name, machine.body,
    (select machine_load.body from machine_load where machine_id = machine.id order by machine_load.seq desc limit 1) as load,
    (select json_agg(json_build_object('control', control, 'mark', mark, 'measured', measured) order by mark, seq)
        from (select control, mark, measured, seq from reading where machine_id = machine.id and withdrawn_at is null
            order by seq desc limit 200) as newest) as readings,
    machine.booth_id, machine.moved
from machine;

create or replace function tell_reading() returns trigger language plpgsql as $$
begin
    perform tell_room('machine', machine.booth_id, null) from machine where machine.id = new.machine_id;
    return null;
end $$;
create or replace function tell_machine() returns trigger language plpgsql as $$
begin
    perform tell_room('machine', machine.booth_id, null) from machine where machine.id = new.machine_id;
    return null;
end $$;
create or replace function tell_kept() returns trigger language plpgsql as $$
begin
    perform tell_room('machine', machine.booth_id, new.kept_by) from machine where machine.id = new.machine_id;
    return null;
end $$;

-- Where a machine went from and where it went to, both booths look different.
create function tell_moved() returns trigger language plpgsql as $$
begin
    perform tell_room('machine', old.booth_id, null);
    if new.booth_id is distinct from old.booth_id then perform tell_room('machine', new.booth_id, null); end if;
    return null;
end $$;
create trigger machine_moved_told after update of booth_id on machine for each row execute function tell_moved();
create function tell_rooms() returns trigger language plpgsql as $$
begin
    perform tell_room('room', null, null);
    return null;
end $$;
create trigger room_told after insert or update on room for each statement execute function tell_rooms();
create trigger booth_told after insert or update on booth for each statement execute function tell_rooms();
