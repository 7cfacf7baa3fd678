-- One order, one chain, bounded reads: the database numbers every row, a second try is known by what was sent, how a bead stands
-- now is kept up beside it, a machine's windows are kept fitted, and test-weld records form one chain of hashes.

-- What is newest is decided here and by no server's clock: rows are numbered as they come. Old rows in the order of their clock.
-- And what was sent under a caller's id is kept as a fingerprint, so that the same id with another body is told.
create function number_and_sent(owner text, clock text, key text default 'id') returns void language plpgsql as $$
declare most bigint;
begin
    execute format('alter table %I disable trigger user', owner);
    execute format('alter table %I add column seq bigint, add column sent bytea check (length(sent) = 32)', owner);
    execute
        format('update %1$I set seq = counted.n from (select %2$I as key, row_number() over (order by %3$I, %2$I) as n from %1$I) '
            || 'as counted where %1$I.%2$I = counted.key', owner, key, clock);
    execute format('select coalesce(max(seq), 0) + 1 from %I', owner) into most;
    execute format('alter table %I alter column seq set not null', owner);
    execute format('alter table %I alter column seq add generated always as identity (start with %s)', owner, most);
    execute format('create unique index %I on %I (seq)', owner || '_seq', owner);
    execute format('alter table %I enable trigger user', owner);
end $$;
alter table session add column added_at timestamptz not null default now();
update session set added_at = held_on;
select number_and_sent(owner, clock, key) from (values
    ('person', 'added_at', 'id'), ('machine', 'name', 'id'), ('reading', 'taken_at', 'id'), ('machine_load', 'loaded_at', 'id'),
        ('door_chart', 'entered_at', 'id'),
    ('upkeep', 'done_at', 'id'), ('bottle_reading', 'read_at', 'id'), ('session', 'added_at', 'id'), ('sheet', 'assigned_at', 'id'),
        ('preset', 'saved_at', 'id'),
    ('bead', 'recorded_at', 'id'), ('look', 'looked_at', 'id'), ('ruling', 'ruled_at', 'id'), ('picture', 'added_at', 'id'), ('macro_marks',
        'marked_at', 'id'),
    ('practice_tolerances', 'set_at', 'id'), ('trial', 'started_at', 'id'), ('sweep', 'run_at', 'id'), ('test_weld', 'sealed_at', 'id'),
    ('kept_setting', 'kept_at', 'id'), ('recording', 'added_at', 'id'), ('drill', 'given_at', 'id'), ('drill_answer', 'answered_at',
        'drill_id')) as tables (owner, clock, key);
drop function number_and_sent;

-- A session can be dated anew and several held on a day; tonight's is found by the calendar, not by being the newest.
alter table session
    drop constraint session_held_on_key,
    add column version int not null default 1,
    add constraint session_held_on_sane check (held_on between '2000-01-01' and '2199-12-31');
create index session_day on session (held_on desc, seq desc);
drop trigger session_told on session;
create trigger session_told after insert or update on session for each row execute function tell_session();

alter table booth drop constraint booth_number_check, add constraint booth_number_check check (number between 1 and 999);

-- The parts of a sheet that lists show, so that no list reads the whole of it.
alter table sheet
    add column job jsonb generated always as (body -> 'job') stored,
    add column position_name text generated always as (body ->> 'positionName') stored;
create index sheet_of_booth on sheet (booth_id, seq desc);
create index sheet_of_student on sheet (student_id, seq desc);
create index sheet_of_place on sheet (session_id, booth_id, student_id, seq desc);
drop index sheet_student, sheet_place;
create index look_standing on look (bead_id, seq desc);
create index ruling_standing on ruling (bead_id, seq desc);
drop index look_newest, ruling_bead, bead_newest;
create index macro_marks_standing on macro_marks (picture_id, seq desc);
create index machine_load_standing on machine_load (machine_id, seq desc);
create index door_chart_standing on door_chart (machine_id, process, wire, gas, seq desc);
create index upkeep_standing on upkeep (machine_id, part, seq desc);
create index bottle_reading_standing on bottle_reading (machine_id, seq desc);
drop index macro_marks_newest, machine_load_newest, door_chart_newest, upkeep_newest, bottle_reading_newest;
create index sweep_standing on sweep (machine_id, process, wire, gas, seq desc) where withdrawn_at is null;
create index kept_setting_standing on kept_setting (seq desc) where withdrawn_at is null;
create index kept_setting_own on kept_setting (kept_by, seq desc) where withdrawn_at is null;
drop index kept_setting_newest, sweep_machine;
create index trial_newest on trial (sheet_id, seq desc);
drop index trial_sheet, drill_person;
create index person_role on person (role, name, id);

-- How a bead stands now: all of it follows from bead, look and ruling, and is kept up as they come, so that lists, causes and
-- windows read a few narrow rows whatever lies behind.
create table bead_standing (
    bead_id uuid primary key references bead,
    seq bigint not null,
    sheet_id uuid not null references sheet,
    number int not null,
    student_id uuid not null references person,
    machine_id uuid not null references machine,
    process text not null,
    wire text,
    gas text not null,
    joint text not null,
    thickness_mm double precision not null,
    wire_mark double precision,
    volt_mark double precision,
    amp_mark double precision,
    wire_feed_m_per_min double precision,
    volts double precision,
    sound text,
    cause text,
    verdict text not null,      -- the tool's
    ruled text,                 -- the instructor's; null where none was given
    shape jsonb not null,
    next text,
    look_id uuid,               -- the look that stands; null where nobody looked again
    recorded_at timestamptz not null,
    withdrawn boolean not null
);
insert into bead_standing
select bead.id, bead.seq, bead.sheet_id, bead.number, sheet.student_id, booth.machine_id, coalesce(sheet.body #>> '{job,process}',
    'gmawShortCircuit'), sheet.wire, coalesce(sheet.body #>> '{job,gas}', 'argonCarbon25'), sheet.joint,
    sheet.thickness_mm, bead.wire_mark, bead.volt_mark, bead.amp_mark, bead.wire_feed_m_per_min, bead.volts,
    coalesce(coalesce(again.evidence, bead.evidence) ->> 'sound', coalesce(again.evidence, bead.evidence) #>> '{listened,sound}'),
    coalesce(again.judgement, bead.judgement) #>> '{causes,0,cause}', coalesce(again.verdict, bead.verdict), ruled.instructor,
    coalesce(again.judgement, bead.judgement) -> 'shape', coalesce(again.judgement, bead.judgement) #>> '{next,instruction}', again.id,
        bead.recorded_at, bead.withdrawn_at is not null
from bead join sheet on sheet.id = bead.sheet_id join booth on booth.id = sheet.booth_id
left join lateral (select id, evidence, judgement, verdict from look where bead_id = bead.id order by seq desc limit 1) as again on true
left join lateral (select instructor from ruling where bead_id = bead.id and aspect is null order by seq desc limit 1) as ruled on true;
create index bead_standing_sheet on bead_standing (sheet_id, number desc) where not withdrawn;
create index bead_standing_student on bead_standing (student_id, seq desc) where not withdrawn;
create index bead_standing_machine on bead_standing (machine_id, seq desc) where not withdrawn;
create index bead_standing_heard on bead_standing (machine_id, process, wire, gas, seq desc)
    where not withdrawn and sound is not null and volts is not null;

-- Beads a machine has laid, withdrawn ones too: they wore its tip all the same. One row a machine; whoever records takes turns on it.
create table machine_wear (
    machine_id uuid primary key references machine,
    beads bigint not null check (beads >= 0)
);
insert into machine_wear select machine.id, (select count(*) from bead join sheet on sheet.id = bead.sheet_id
    join booth on booth.id = sheet.booth_id where booth.machine_id = machine.id) from machine;
alter table upkeep add column beads_at bigint;
update upkeep set beads_at = (
    select count(*) from bead join sheet on sheet.id = bead.sheet_id join booth on booth.id = sheet.booth_id
        where booth.machine_id = upkeep.machine_id and bead.recorded_at <= upkeep.done_at);
alter table upkeep alter column beads_at set not null;

-- A machine's smooth band for one process, wire and gas, as fitted from the newest of what was heard there.
create table learned_window (
    machine_id uuid not null references machine,
    process text not null,
    wire text not null,
    gas text not null,
    body jsonb not null,
    upto bigint not null,       -- the newest bead it was fitted with
    primary key (machine_id, process, wire, gas)
);

-- An answer says by itself whose it was and to what, so that where somebody stands is read from the newest answers alone.
alter table drill_answer add column person_id uuid references person, add column kind text, add column deviation text,
    add column sound text;
update drill_answer set person_id = drill.person_id, kind = drill.body ->> 'kind', deviation = drill.body ->> 'deviation',
    sound = drill.body ->> 'sound'
from drill where drill.id = drill_answer.drill_id;
alter table drill_answer alter column person_id set not null, alter column kind set not null, alter column deviation set not null;
create index drill_answer_person on drill_answer (person_id, seq desc);

-- Whose test weld it is stands on it, so that a student's are found however many sheets they were given.
alter table test_weld disable trigger user;
alter table test_weld add column student_id uuid references person;
update test_weld set student_id = sheet.student_id from sheet where sheet.id = test_weld.sheet_id;
alter table test_weld alter column student_id set not null;
alter table test_weld enable trigger user;
create index test_weld_student on test_weld (student_id, seq desc);

-- Words, signature and amendments in one chain: each record's hash is taken over the one before it and its own letters; the first
-- stands on the seal. What is shown is read from those letters.
create table test_record (
    id uuid primary key,
    seq bigint generated always as identity unique,
    sent bytea check (length(sent) = 32),
    test_weld_id uuid not null references test_weld,
    number int not null check (number > 0),
    kind text not null check (kind in ('assessment', 'signOff', 'amendment')),
    body text not null,
    previous text not null check (previous ~ '^[0-9a-f]{64}$'),
    hash text not null check (hash ~ '^[0-9a-f]{64}$'),
    word text,                  -- coupon, attempt and assessor of an assessment: one word each
    unique (test_weld_id, number),
    unique (test_weld_id, word)
);
create unique index test_record_signature on test_record (test_weld_id) where kind = 'signOff';
do $$
declare test record; entry record; place int; link text; mark text;
begin
    for test in select id, seal from test_weld loop
        place := 0;
        link := test.seal;
        for entry in
            select kind, id, at, word, body from (
                select 'assessment' as kind, id, assessed_at as at, concat(coupon, '/', attempt, '/', assessor) as word, 1
                    as rank, jsonb_build_object(
                    'kind', 'assessment', 'id', id, 'by', assessor, 'at', assessed_at, 'note', note, 'coupon', coupon, 'attempt', attempt,
                        'accepted', accepted,
                    'evidence', evidence, 'acceptance', acceptance) as body
                from test_assessment where test_weld_id = test.id
                union all
                select 'signOff', id, signed_at, null, 2, jsonb_build_object('kind', 'signOff', 'id', id, 'by', signed_by, 'at', signed_at,
                    'note', note, 'passed', passed)
                from test_sign_off where test_weld_id = test.id
                union all
                select 'amendment', id, amended_at, null, 3, jsonb_build_object('kind', 'amendment', 'id', id, 'by', amended_by, 'at',
                    amended_at, 'note', text)
                from test_amendment where test_weld_id = test.id) as entries
            order by at, rank, id
        loop
            place := place + 1;
            entry.body := entry.body || jsonb_build_object('testWeldId', test.id, 'number', place);
            mark := encode(sha256(convert_to(link || E'\n' || entry.body::text, 'UTF8')), 'hex');
            insert into test_record (id, test_weld_id, number, kind, body, previous, hash, word)
                values (entry.id, test.id, place, entry.kind, entry.body::text, link, mark, entry.word);
            link := mark;
        end loop;
    end loop;
end $$;
drop table test_assessment, test_sign_off, test_amendment;
create trigger test_record_kept before update or delete on test_record for each row execute function only_added_to();
create trigger test_record_told after insert on test_record for each row execute function tell_test();

-- Uploads wait here in parts while they are received, and are gone once they are read. Nothing in it outlives its request.
create unlogged table upload_part (
    upload_id uuid not null,
    number int not null check (number >= 0),
    bytes bytea not null,
    received_at timestamptz not null default now(),
    primary key (upload_id, number)
);

-- What stands, for every feature that asks.
create view machine_now as
select machine.id, machine.seq, machine.name, machine.body,
    (select machine_load.body from machine_load where machine_id = machine.id order by machine_load.seq desc limit 1) as load,
    (select json_agg(json_build_object('control', control, 'mark', mark, 'measured', measured) order by mark, seq)
        from (select control, mark, measured, seq from reading where machine_id = machine.id and withdrawn_at is null
            order by seq desc limit 200) as newest) as readings
from machine;

create view bead_now as
select bead.id, bead.seq, bead.sheet_id, bead.number, bead.wire_mark, bead.volt_mark, bead.amp_mark, bead.wire_feed_m_per_min, bead.volts,
    bead.amps,
    coalesce(again.evidence, bead.evidence) as evidence, coalesce(again.judgement, bead.judgement) as judgement, coalesce(again.id, bead.id)
        as version,
    standing.ruled, bead.recorded_at, standing.withdrawn, standing.student_id, standing.machine_id, bead.sent
from bead join bead_standing as standing on standing.bead_id = bead.id
left join look as again on again.id = standing.look_id;

-- A notice about a bead names it, and the bead, the look or the ruling that was written: the screen that wrote it has its answer already.
create function tell_room(kind text, booth uuid, student uuid, row_id uuid, bead uuid) returns void language sql as $$
    select pg_notify('room', json_build_object('kind', kind, 'boothId', booth, 'studentId', student, 'id', row_id, 'beadId', bead)::text);
$$;
create or replace function tell_bead() returns trigger language plpgsql as $$
begin
    perform tell_room('bead', sheet.booth_id, sheet.student_id, case when tg_op = 'INSERT' then new.id end, new.id) from sheet
        where sheet.id = new.sheet_id;
    return null;
end $$;
create or replace function tell_of_bead() returns trigger language plpgsql as $$
begin
    perform tell_room('bead', sheet.booth_id, sheet.student_id, new.id, bead.id) from bead join sheet on sheet.id = bead.sheet_id
        where bead.id = new.bead_id;
    return null;
end $$;
-- Not every row told of has an id of its own.
create function tell_of_trial_bead() returns trigger language plpgsql as $$
begin
    perform tell_room('bead', sheet.booth_id, sheet.student_id, bead.id, bead.id) from bead join sheet on sheet.id = bead.sheet_id
        where bead.id = new.bead_id;
    return null;
end $$;
drop trigger trial_bead_told on trial_bead;
create trigger trial_bead_told after insert on trial_bead for each row execute function tell_of_trial_bead();

-- A test's words and signature change no bead, and a bead changes no test.
create or replace function tell_test() returns trigger language plpgsql as $$
begin
    perform tell_room('test', sheet.booth_id, sheet.student_id) from test_weld join sheet on sheet.id = test_weld.sheet_id
        where test_weld.id = new.test_weld_id;
    return null;
end $$;
create function tell_sealed() returns trigger language plpgsql as $$
begin
    perform tell_room('test', sheet.booth_id, sheet.student_id) from sheet where sheet.id = new.sheet_id;
    return null;
end $$;
drop trigger test_weld_told on test_weld;
create trigger test_weld_told after insert on test_weld for each row execute function tell_sealed();
