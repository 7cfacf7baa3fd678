-- Sessions have hours in a room, courses have days, hours, people and a roster, and somebody notes who came.

-- Two stretches of time never overlap in one room.
create extension if not exists btree_gist;

-- Where the clock on the wall hangs, as an IANA name; empty until somebody said: then the server's own.
alter table school add column time_zone text not null default '' check (length(time_zone) <= 60);

-- A term of sessions made at once is one notice.
drop trigger session_told on session;
create trigger session_told after insert or update on session for each statement execute function tell_session();

create table course (
    id uuid primary key,
    seq bigint generated always as identity unique,
    name text not null check (length(name) between 1 and 80),
    room_id uuid not null references room,
    first_day date not null,
    last_day date not null check (last_day >= first_day and last_day <= first_day + 400),
    hours jsonb not null default '[]',      -- by the week: day, begins, ends
    version int not null default 1,
    calendar_key bytea unique check (length(calendar_key) = 32),    -- what is kept of the private address its calendar is read at
    made_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create index course_last on course (last_day desc, seq desc);

create table course_instructor (
    course_id uuid not null references course,
    person_id uuid not null references person,
    primary key (course_id, person_id)
);
create index course_instructor_of on course_instructor (person_id);

-- A student on a course, from a day to a day; who leaves and comes back has two of them.
create table enrolment (
    id uuid primary key,
    seq bigint generated always as identity unique,
    course_id uuid not null references course,
    student_id uuid not null references person,
    first_day date not null,
    last_day date check (last_day >= first_day),        -- empty: to the end
    version int not null default 1,
    sent bytea check (length(sent) = 32),
    constraint enrolment_once exclude using gist (course_id with =, student_id with =, daterange(first_day, last_day, '[]') with &&)
);
create index enrolment_of_student on enrolment (student_id);

-- What was only a day until now has its hours unnoted; it takes the day, or its share of one with several.
alter table session disable trigger user;
alter table session
    add column begins time,
    add column ends time,
    add column begins_at timestamptz,
    add column ends_at timestamptz,
    add column course_id uuid references course,
    add column cancelled text check (length(cancelled) <= 200);     -- why it is not held; empty text: no reason given
update session set begins_at = shared.day + (shared.place - 1) * interval '1 day' / shared.many,
    ends_at = shared.day + shared.place * interval '1 day' / shared.many
from (
    select id, held_on::timestamp at time zone 'UTC' as day, row_number() over (partition by room_id, held_on order by seq) as place,
        count(*) over (partition by room_id, held_on) as many from session
) as shared where shared.id = session.id;
alter table session
    alter column begins_at set not null,
    alter column ends_at set not null,
    add constraint session_ends check (ends_at > begins_at),
    add constraint session_alone exclude using gist (room_id with =, tstzrange(begins_at, ends_at) with &&) where (cancelled is null);
alter table session enable trigger user;
create index session_begins on session (begins_at desc);
create index session_of_course on session (course_id, begins_at) where course_id is not null;

-- Who came. The newest word on a student stands.
create table attendance (
    id uuid primary key,
    seq bigint generated always as identity unique,
    session_id uuid not null references session,
    student_id uuid not null references person,
    came text not null check (came in ('present', 'late', 'absent', 'excused', 'unknown')),
    noted_by uuid not null references person,
    noted_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create index attendance_standing on attendance (session_id, student_id, seq desc);
create trigger attendance_kept before update or delete on attendance for each row execute function only_added_to();

-- A first code is given out on paper and may wait for the first evening; one for a forgotten password is good for a day.
alter table password_reset add column good_until timestamptz;
update password_reset set good_until = made_at + interval '1 day';
alter table password_reset alter column good_until set not null;

create function tell_course() returns trigger language plpgsql as $$
begin
    perform tell_room('course', null, null);
    return null;
end $$;
create trigger course_told after insert or update on course for each statement execute function tell_course();
create trigger enrolment_told after insert or update on enrolment for each statement execute function tell_course();
create function tell_attendance() returns trigger language plpgsql as $$
begin
    perform tell_room('attendance', null, new.student_id);
    return null;
end $$;
create trigger attendance_told after insert on attendance for each row execute function tell_attendance();
