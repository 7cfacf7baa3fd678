-- How long what is kept is kept, and what is forgotten. A person's name stands in one place only, and words under a test weld's chain can
-- be struck out without breaking it.

-- The trail names people by who they are: called as they are called now.
alter table trail disable trigger user;
alter table trail add column person_id uuid references person;
update trail set person_id = person.id, about = '' from person
where person.name = trail.about and person.id in (trail.about_id, (select student_id from sheet where id = trail.about_id),
    (select student_id from bead_verdict where bead_id = trail.about_id), (select student_id from test_weld where id = trail.about_id));
alter table trail enable trigger user;
create function leave_trail_of(at timestamptz, by uuid, what text, person uuid, about_id uuid) returns void language sql as $$
    insert into trail (at, by, what, about, person_id, about_id) values (at, by, what, '', person, about_id);
$$;
create or replace function trail_sign_in() returns trigger language plpgsql as $$
begin
    perform leave_trail_of(new.signed_in_at, new.person_id, 'signedIn', new.person_id, new.person_id);
    return null;
end $$;
create or replace function trail_reset() returns trigger language plpgsql as $$
begin
    if tg_op = 'INSERT' then
        perform leave_trail_of(new.made_at, new.made_by, 'resetCodeMade', new.person_id, new.person_id);
    else
        perform leave_trail_of(new.used_at, new.person_id, 'passwordReset', new.person_id, new.person_id);
    end if;
    return null;
end $$;
create or replace function trail_sheet() returns trigger language plpgsql as $$
begin
    perform leave_trail_of(new.assigned_at, new.assigned_by, 'sheetGiven', new.student_id, new.id);
    return null;
end $$;
create or replace function trail_ruling() returns trigger language plpgsql as $$
begin
    perform leave_trail_of(new.ruled_at, new.ruled_by, 'ruled', student_id, new.bead_id) from bead_verdict where bead_id = new.bead_id;
    return null;
end $$;
create or replace function trail_sealed() returns trigger language plpgsql as $$
begin
    perform leave_trail_of(new.sealed_at, new.sealed_by, 'testSealed', new.student_id, new.id);
    return null;
end $$;
create or replace function trail_test() returns trigger language plpgsql as $$
begin
    perform leave_trail_of((new.body::jsonb ->> 'at')::timestamptz, (new.body::jsonb ->> 'by')::uuid,
        case new.kind when 'assessment' then 'testAssessed' when 'signOff' then 'testSigned' else 'testAmended' end, student_id,
        new.test_weld_id)
    from test_weld where id = new.test_weld_id;
    return null;
end $$;
create or replace function trail_pin() returns trigger language plpgsql as $$
begin
    perform leave_trail_of(new.set_at, new.set_by, 'pinSet', new.person_id, new.person_id);
    return null;
end $$;

-- What was said in a record stands beside its letters, which hold its salted hash: struck out, the chain still holds.
alter table test_record add column note text, add column salt text check (salt ~ '^[0-9a-f]{32}$'),
    add check ((note is null) = (salt is null));

-- Bytes are let go, the row stays and says when: from then on it is withdrawn, unless it was already; what was measured on it stands.
alter table picture alter column bytes drop not null, add column let_go_at timestamptz,
    add check ((bytes is null) = (let_go_at is not null)), add check (let_go_at is null or withdrawn_at is not null);
alter table recording add column let_go_at timestamptz, add check (let_go_at is null or withdrawn_at is not null);
create index picture_oldest on picture (added_at) where let_go_at is null;
create index recording_oldest on recording (added_at) where let_go_at is null;

-- What is held of somebody is found without reading what is held of others.
create index trail_about on trail (person_id) where person_id is not null;
create index trail_by on trail (by) where by is not null;
create index sign_in_of on sign_in (person_id);
create index tablet_sign_in_by on tablet_sign_in (student_id);
create index place_of_student on place (student_id);
create index hand_of on hand (student_id);
create index visit_of on visit (student_id, seq desc);
create index kept_setting_by on kept_setting (kept_by, seq desc);
create index unplaced_bead_by on unplaced_bead (student_id);
create index bead_verdict_of on bead_verdict (student_id);
create index drill_of on drill (person_id);
create index remark_of on remark (student_id);
create index foreign_logbook_of on foreign_logbook (student_id);

-- How long, in editions; without one everything is kept.
create table keeping_terms (
    id uuid primary key,
    seq bigint generated always as identity unique,
    edition int not null unique check (edition > 0),
    body jsonb not null,
    made_by uuid references person,
    made_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create trigger keeping_terms_kept before update or delete on keeping_terms for each row execute function only_added_to();

-- Who was forgotten, by whom, and what was done.
alter table person add column forgotten_at timestamptz;
create table forgetting (
    id uuid primary key,
    seq bigint generated always as identity unique,
    person_id uuid not null unique references person,
    done jsonb not null,
    done_by uuid not null references person,
    done_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create trigger forgetting_kept before update or delete on forgetting for each row execute function only_added_to();

-- Records stay only added to. The functions below are the one exception; they are the owner's, and the application has no right to change
-- these tables but through them.
create or replace function only_added_to() returns trigger language plpgsql as $$
begin
    if current_setting('gentlebead.keeping', true) is distinct from 'on' then
        raise exception 'Test-weld records are only added to.';
    end if;
    return coalesce(new, old);
end $$;

-- Every word that people wrote: where it stands, under which key, about whom (null: nobody in particular), since when.
create view words as
select 'visit.note' as place, id::text as key, student_id as about, visited_at as at, note as words from visit where note <> ''
union all select 'remark.text', id::text, student_id, made_at, text from remark
union all select 'goal.text', id::text, student_id, set_at, text from goal
union all select 'ruling.reason', ruling.id::text, student_id, ruled_at, reason
    from ruling join bead_verdict using (bead_id) where reason <> ''
union all select 'cause_ruling.reason', cause_ruling.id::text, student_id, ruled_at, reason
    from cause_ruling join bead_verdict using (bead_id) where reason <> ''
union all select 'sheet.overrule', id::text, student_id, assigned_at, overrule from sheet where overrule is not null
union all select 'kept_setting.note', id::text, kept_by, kept_at, note from kept_setting where note <> ''
union all select 'test_record.note', test_record.id::text, student_id, (body::jsonb ->> 'at')::timestamptz, note
    from test_record join test_weld on test_weld.id = test_weld_id where note is not null
union all select 'recording.name', recording.id::text, student_id, added_at, name from recording join bead_verdict using (bead_id)
union all select 'unplaced_file.detail', unplaced_file.id::text, student_id, unplaced_file.kept_at, detail
    from unplaced_file join unplaced_bead on unplaced_bead.id = bead_id
union all select 'session.title', id::text, null, added_at, title from session
union all select 'session.cancelled', id::text, null, added_at, cancelled from session where cancelled is not null
union all select 'session_close.note', id::text, null, closed_at, note from session_close where note <> ''
union all select 'machine_move.note', id::text, null, moved_at, note from machine_move where note <> ''
union all select 'upkeep.note', id::text, null, done_at, note from upkeep where note <> ''
union all select 'preset.name', id::text, null, saved_at, name from preset
union all select 'tablet.name', id::text, null, paired_at, name from tablet
union all select 'course.name', id::text, null, null, name from course
union all select 'room.name', id::text, null, null, name from room
union all select 'machine.name', id::text, null, null, name from machine
union all select 'trail.about', seq::text, null, at, about from trail where about <> '';

-- Bodies with words of people among what is not: a whole name is looked for in them, no part of one.
create view worded_bodies as
select 'exercise_edition.body' as place, id::text as key, made_at as at, body from exercise_edition
union all select 'machine.body', id::text, null, body from machine
union all select 'machine_load.body', id::text, loaded_at, body from machine_load
union all select 'door_chart.body', id::text, entered_at, body from door_chart
union all select 'unplaced_bead.body', id::text, kept_at, body from unplaced_bead;

create function escaped(words text) returns text language sql immutable as $$
    select regexp_replace(words, '([^[:alnum:][:space:]])' collate "und-x-icu", '\\\1', 'g')
$$;
-- What finds a name in words: the whole of it, its parts, and the login, as words of their own, in whatever case.
create function name_pattern(name text, login text) returns text language sql immutable as $$
    select '(?<![[:alnum:]])(' || string_agg(escaped(part), '|' order by length(part) desc) || ')(?![[:alnum:]])'
    from (select name as part union select unnest(regexp_split_to_array(name, '\s+')) union select login) as parts where length(part) > 1
$$;
-- The same in a body: only the whole name, as JSON writes it, and only where it is of several words; a single one may be a field's.
create function name_in_body(name text) returns text language sql immutable as $$
    select case when name ~ '\s' then '(?<![[:alnum:]])' || escaped(substr(to_json(name)::text, 2, length(to_json(name)::text) - 2))
        || '(?![[:alnum:]])' else '(?!)' end
$$;

-- Where a person's name stands in what others wrote, or wrote of others; the words about themselves are struck out whole.
create function words_naming(of_person uuid) returns table (place text, key text, about uuid, at timestamptz, words text)
language sql stable as $$
    select words.* from person cross join words
    where person.id = of_person and words.words ~* (name_pattern(person.name, person.login) collate "und-x-icu")
    union all
    select worded_bodies.place, worded_bodies.key, null, worded_bodies.at, person.name from person cross join worded_bodies
    where person.id = of_person and worded_bodies.body::text ~* (name_in_body(person.name) collate "und-x-icu")
$$;

-- Words about somebody that are struck out whole, with what they are struck by.
create function strike_out(which text, of_person uuid, before timestamptz) returns int language plpgsql as $$
declare struck int := 0; more int;
begin
    update visit set note = '', sent = null where note <> '' and (of_person is null or student_id = of_person)
        and (before is null or visited_at < before);
    get diagnostics struck = row_count;
    update remark set text = '…', sent = null, withdrawn_at = coalesce(withdrawn_at, now())
        where text <> '…' and (of_person is null or student_id = of_person) and (before is null or made_at < before);
    get diagnostics more = row_count;
    struck := struck + more;
    if which = 'all' then
        update goal set text = '…', sent = null where text <> '…' and student_id = of_person;
        get diagnostics more = row_count;
        struck := struck + more;
    end if;
    return struck;
end $$;

-- Lets pictures or recordings go that are older than a moment, so many at a time; notes all at once. What proves a test weld stays as long
-- as the test, and a recording that is named for the practice room as long as it is.
create function let_go(what text, before timestamptz, most int) returns int language plpgsql security definer
set search_path = public, pg_temp as $$
declare gone int := 0;
begin
    perform set_config('gentlebead.keeping', 'on', true);
    if what = 'pictures' then
        update picture set bytes = null, let_go_at = now(), withdrawn_at = coalesce(withdrawn_at, now()) where id in (
            select id from pictures_due(before) limit most);
        get diagnostics gone = row_count;
    elsif what = 'sound' then
        with due as (select id from recordings_due(before) limit most),
            freed as (delete from recording_part using due where recording_id = due.id)
        update recording set let_go_at = now(), withdrawn_at = coalesce(withdrawn_at, now()) from due where recording.id = due.id;
        get diagnostics gone = row_count;
    elsif what = 'notes' then
        gone := strike_out('notes', null, before);
    end if;
    perform set_config('gentlebead.keeping', 'off', true);
    return gone;
end $$;
create function pictures_due(before timestamptz) returns table (id uuid, bytes bigint) language sql stable as $$
    select picture.id, length(picture.bytes)::bigint from picture join bead on bead.id = picture.bead_id
    where picture.let_go_at is null and picture.added_at < before
        and not exists (select from test_weld where test_weld.sheet_id = bead.sheet_id) order by picture.added_at
$$;
create function recordings_due(before timestamptz) returns table (id uuid, bytes bigint) language sql stable as $$
    select recording.id, recording.length from recording join bead on bead.id = recording.bead_id
    where recording.let_go_at is null and recording.added_at < before
        and not exists (select from test_weld where test_weld.sheet_id = bead.sheet_id)
        and (select clip from named_recording where recording_id = recording.id order by seq desc limit 1) is null
    order by recording.added_at
$$;

-- Forgets a person: the name becomes a pseudonym, their media and the words about them go, their name goes from what others wrote but where
-- it is spared (somebody else's, perhaps). Beads, sheets, tests and figures stay, and are nobody's in particular.
create function forget_person(of_person uuid, pseudonym text, spared text[]) returns jsonb language plpgsql security definer
set search_path = public, pg_temp as $$
declare
    one record;
    former record;
    pictures int; recordings int; logbooks int; notes int; named int := 0; in_tests int := 0;
begin
    perform set_config('gentlebead.keeping', 'on', true);
    select name, login into strict former from person where id = of_person and forgotten_at is null and role = 'student' for update;
    for one in select * from words_naming(of_person) where not place || '/' || key = any(spared) loop
        named := named + 1;
        if one.place = 'test_record.note' then
            update test_record set note = null, salt = null, sent = null where id = one.key::uuid;
            in_tests := in_tests + 1;
        elsif one.place like '%.body' then
            execute format('update %I set body = regexp_replace(body::text, $1 collate "und-x-icu", ''…'', ''gi'')::jsonb where id = $2',
                split_part(one.place, '.', 1)) using name_in_body(former.name), one.key::uuid;
        else
            execute format('update %I set %I = regexp_replace(%2$I, $1 collate "und-x-icu", ''…'', ''gi'') where %I = $2::%s',
                split_part(one.place, '.', 1), split_part(one.place, '.', 2),
                case one.place when 'trail.about' then 'seq' else 'id' end, case one.place when 'trail.about' then 'bigint' else 'uuid' end)
                using name_pattern(former.name, former.login), one.key;
        end if;
    end loop;
    notes := strike_out('all', of_person, null);

    update picture set bytes = null, let_go_at = now(), withdrawn_at = coalesce(withdrawn_at, now())
        where let_go_at is null and bead_id in (select bead_id from bead_verdict where student_id = of_person);
    get diagnostics pictures = row_count;
    delete from recording_part where recording_id in (
        select recording.id from recording join bead_verdict using (bead_id) where student_id = of_person);
    update recording set name = '…', let_go_at = now(), withdrawn_at = coalesce(withdrawn_at, now()), sent = null
        where let_go_at is null and bead_id in (select bead_id from bead_verdict where student_id = of_person);
    get diagnostics recordings = row_count;
    delete from foreign_logbook where student_id = of_person;
    get diagnostics logbooks = row_count;
    delete from unplaced_file where bead_id in (select id from unplaced_bead where student_id = of_person);
    delete from unplaced_bead where student_id = of_person;

    delete from pin where person_id = of_person;
    delete from password_reset where person_id = of_person;
    delete from tablet_sign_in where student_id = of_person;
    delete from sign_in_try where sign_in_try.login = former.login;
    delete from place using session where session.id = session_id and student_id = of_person and session.begins_at > now();
    update hand set lowered_at = now() where student_id = of_person and lowered_at is null;
    update enrolment set last_day = greatest(first_day, least(coalesce(last_day, current_date), current_date)) where student_id = of_person;
    update person set name = pseudonym, login = 'forgotten-' || left(encode(sha256(convert_to(of_person::text, 'UTF8')), 'hex'), 16),
        password_hash = '', hand = null, way_of_setting = null, sent = null, forgotten_at = now(),
        deactivated_at = coalesce(deactivated_at, now())
        where id = of_person;
    update sign_in set ended_at = now() where person_id = of_person and ended_at is null;
    perform set_config('gentlebead.keeping', 'off', true);
    return jsonb_build_object('pictures', pictures, 'recordings', recordings, 'logbooks', logbooks, 'notes', notes, 'named', named,
        'inTests', in_tests);
end $$;
revoke all on function let_go(text, timestamptz, int), forget_person(uuid, text, text[]), strike_out(text, uuid, timestamptz) from public;
