-- Every process and machine: controls as data, what is loaded, charts, upkeep, checks, kept settings, presets, schools.

-- A machine's front is data: the whole of it in one body, its readings beside it as before.
alter table machine add column body jsonb;
update machine set body = jsonb_build_object(
    'name', name,
    'load', jsonb_build_object('wire', wire, 'gas', 'argonCarbon25', 'polarity', 'torchPlus', 'tipMm', null, 'rolls', null, 'program', null,
        'tungstenMm', null),
    'wireControl', jsonb_build_object('kind', wire_kind, 'lowestMark', wire_lowest_mark, 'highestMark', wire_highest_mark, 'markStep',
        wire_mark_step, 'unit', wire_unit, 'readings', '[]'::jsonb),
    'voltControl', jsonb_build_object('kind', volt_kind, 'lowestMark', volt_lowest_mark, 'highestMark', volt_highest_mark, 'markStep',
        volt_mark_step, 'unit', volt_unit, 'readings', '[]'::jsonb));
alter table machine
    alter column body set not null,
    drop column wire, drop column wire_kind, drop column wire_lowest_mark, drop column wire_highest_mark, drop column wire_mark_step,
        drop column wire_unit,
    drop column volt_kind, drop column volt_lowest_mark, drop column volt_highest_mark, drop column volt_mark_step, drop column volt_unit;

-- What the ruler and the watch said, where they were asked; measured is what follows from it.
alter table reading
    add column seconds double precision check (seconds > 0),
    add column length_mm double precision check (length_mm > 0),
    add check ((seconds is null) = (length_mm is null)),
    drop constraint reading_control_check,
    add constraint reading_control_check check (control in ('wire', 'volt', 'amp'));

-- What is on a machine; the newest row stands.
create table machine_load (
    id uuid primary key,
    machine_id uuid not null references machine,
    body jsonb not null,
    loaded_by uuid not null references person,
    loaded_at timestamptz not null default now()
);
create index machine_load_newest on machine_load (machine_id, loaded_at desc);

-- Door charts; the newest for a process, wire and gas stands, until it is withdrawn.
create table door_chart (
    id uuid primary key,
    machine_id uuid not null references machine,
    process text not null,
    wire text not null,
    gas text not null,
    body jsonb not null,
    entered_by uuid not null references person,
    entered_at timestamptz not null default now(),
    withdrawn_at timestamptz
);
create index door_chart_newest on door_chart (machine_id, process, wire, gas, entered_at desc);

create table upkeep (
    id uuid primary key,
    machine_id uuid not null references machine,
    part text not null check (part in ('tip', 'nozzle', 'diffuser', 'liner', 'rolls', 'tungsten')),
    note text not null check (length(note) <= 200),
    done_by uuid not null references person,
    done_at timestamptz not null default now()
);
create index upkeep_newest on upkeep (machine_id, part, done_at desc);

create table bottle_reading (
    id uuid primary key,
    machine_id uuid not null references machine,
    water_l double precision not null check (water_l > 0 and water_l <= 200),
    bar double precision not null check (bar >= 0 and bar <= 400),
    read_by uuid not null references person,
    read_at timestamptz not null default now()
);
create index bottle_reading_newest on bottle_reading (machine_id, read_at desc);

-- Pre-start and close-down checks, ticked at the booth, kept with the session.
create table check_tick (
    session_id uuid not null references session,
    booth_id uuid not null references booth,
    key text not null check (length(key) between 1 and 40),
    ticked_by uuid not null references person,
    ticked_at timestamptz not null default now(),
    primary key (session_id, booth_id, key)
);

create table kept_setting (
    id uuid primary key,
    machine_id uuid not null references machine,
    kept_by uuid not null references person,
    bead_id uuid references bead,
    note text not null check (length(note) <= 200),
    body jsonb not null,
    kept_at timestamptz not null default now(),
    withdrawn_at timestamptz
);
create index kept_setting_newest on kept_setting (machine_id, kept_at desc);

-- Named sheets; saving a name again adds a version.
create table preset (
    id uuid primary key,
    name text not null check (length(name) between 1 and 60),
    version int not null check (version > 0),
    body jsonb not null,
    rules_version int not null,
    saved_by uuid not null references person,
    saved_at timestamptz not null default now(),
    unique (name, version)
);

alter table person add column school jsonb;

-- Why a sheet was given out although something on the machine did not fit it.
alter table sheet
    alter column wire drop not null,
    add column overrule text check (length(overrule) between 1 and 200);

-- Sheets of the first edition, in the shape of the second: the same numbers, nothing worked out anew but the passes, of which there was
-- one.
update sheet set body = (body - array['wireFeedMPerMin', 'volts', 'stickOut', 'marks', 'band', 'beadSizeIsLeg']) || jsonb_build_object(
    'processName', 'MIG short circuit (135)',
    'polarity', 'torchPlus',
    'pair', jsonb_build_object(
        'wireFeedMPerMin', body -> 'wireFeedMPerMin', 'volts', body -> 'volts', 'voltsAreSet', true, 'stickOut', body -> 'stickOut',
        'inductance', '', 'marks', body -> 'marks', 'band', body -> 'band', 'chart', null),
    'tig', null,
    'plugSeconds', null,
    'beadMeasure', case when (body ->> 'beadSizeIsLeg')::boolean then 'leg' else 'width' end,
    'passes', (
        select jsonb_build_object('count', 1, 'layers', 1, 'areaMm2', area, 'depositGPerM', area * 7.85, 'fillerMPerM',
            area / (pi() / 4 * wire_mm ^ 2 * 0.93))
        from (
            select case when (body ->> 'beadSizeIsLeg')::boolean then 0.55 else 1.0 / 6 end * (body #>> '{beadSize,aimMm}')::float8 ^ 2
                as area,
                case body #>> '{job,wire}' when 'solid06' then 0.6 when 'solid08' then 0.8 when 'solid09' then 0.9 else 1.2 end as wire_mm
        ) as laid),
    'motion', 'Straight.',
    'dutyPercent', null,
    'program', null,
    'steps', '[]'::jsonb,
    'school', jsonb_build_object('pair', 'wireFirst', 'position', 'oneThinner', 'direction', 'either', 'motion', 'straight'),
    'differences', '[]'::jsonb,
    'mismatches', '[]'::jsonb)
where not body ? 'pair';

create function tell_machine() returns trigger language plpgsql as $$
begin
    perform tell_room('machine', booth.id, null) from booth where booth.machine_id = new.machine_id;
    return null;
end $$;
create trigger machine_load_told after insert on machine_load for each row execute function tell_machine();
create trigger door_chart_told after insert or update on door_chart for each row execute function tell_machine();
create trigger upkeep_told after insert on upkeep for each row execute function tell_machine();
create trigger bottle_reading_told after insert on bottle_reading for each row execute function tell_machine();

create function tell_kept() returns trigger language plpgsql as $$
begin
    perform tell_room('machine', booth.id, new.kept_by) from booth where booth.machine_id = new.machine_id;
    return null;
end $$;
create trigger kept_setting_told after insert or update on kept_setting for each row execute function tell_kept();

create function tell_check() returns trigger language plpgsql as $$
begin
    perform tell_room('check', coalesce(new.booth_id, old.booth_id), place.student_id)
    from (select 1) as once left join place on place.session_id = coalesce(new.session_id, old.session_id)
        and place.booth_id = coalesce(new.booth_id, old.booth_id);
    return null;
end $$;
create trigger check_tick_told after insert or delete on check_tick for each row execute function tell_check();
