-- Sign-ins that can be ended, accounts that are switched off, codes that are shown once, and a trail of who did what.

alter table person
    add column deactivated_at timestamptz,
    add column demo boolean not null default false;      -- dead where the server does not run the demo
update person set demo = true where exists (select 1 from school where demo);

-- A sign-in lives until it is ended: by signing out, by another password, by switching the account off.
create table sign_in (
    id uuid primary key,
    seq bigint generated always as identity unique,
    person_id uuid not null references person,
    signed_in_at timestamptz not null default now(),
    ended_at timestamptz
);
create index sign_in_open on sign_in (person_id) where ended_at is null;

-- Its screens are told where they are connected, on whichever server.
create function tell_signed_out() returns trigger language plpgsql as $$
begin
    perform tell_room('signedOut', null, null, new.id, null);
    return null;
end $$;
create trigger sign_in_ended after update of ended_at on sign_in for each row
    when (old.ended_at is null and new.ended_at is not null) execute function tell_signed_out();

-- Wrong passwords in a row by what was typed as the login, whether there is such an account or not.
create table sign_in_try (
    login text primary key check (length(login) <= 40),
    failed int not null check (failed > 0),
    last_at timestamptz not null default now()
);

-- A code an instructor gives to somebody who forgot the password; used once, within a day.
create table password_reset (
    id uuid primary key,
    seq bigint generated always as identity unique,
    person_id uuid not null references person,
    code_hash bytea not null check (length(code_hash) = 32),
    made_by uuid not null references person,
    made_at timestamptz not null default now(),
    used_at timestamptz
);
create index password_reset_standing on password_reset (person_id, seq desc);

-- The codes an empty school can be founded with; none is left once it is.
create table set_up_code (
    code_hash bytea primary key check (length(code_hash) = 32),
    made_at timestamptz not null default now()
);

-- Who signed in, made, changed and signed what. Written beside the thing itself, and only added to.
create table trail (
    seq bigint generated always as identity primary key,
    at timestamptz not null default now(),
    by uuid references person,          -- null: nobody in particular
    what text not null,
    about text not null,                -- a name, as it was that day
    about_id uuid
);
create index trail_newest on trail (at desc, seq desc);
create trigger trail_kept before update or delete on trail for each row execute function only_added_to();

create function leave_trail(at timestamptz, by uuid, what text, about text, about_id uuid) returns void language sql as $$
    insert into trail (at, by, what, about, about_id) values (at, by, what, coalesce(about, ''), about_id);
$$;

create function trail_sign_in() returns trigger language plpgsql as $$
begin
    perform leave_trail(new.signed_in_at, new.person_id, 'signedIn', name, id) from person where id = new.person_id;
    return null;
end $$;
create trigger sign_in_trailed after insert on sign_in for each row execute function trail_sign_in();

create function trail_reset() returns trigger language plpgsql as $$
begin
    if tg_op = 'INSERT' then
        perform leave_trail(new.made_at, new.made_by, 'resetCodeMade', name, id) from person where id = new.person_id;
    else
        perform leave_trail(new.used_at, new.person_id, 'passwordReset', name, id) from person where id = new.person_id;
    end if;
    return null;
end $$;
create trigger password_reset_trailed after insert or update of used_at on password_reset for each row execute function trail_reset();

create function trail_move() returns trigger language plpgsql as $$
begin
    if new.moved_by is not null then
        perform leave_trail(new.moved_at, new.moved_by, 'machineMoved', name, id) from machine where id = new.machine_id;
    end if;
    return null;
end $$;
create trigger machine_move_trailed after insert on machine_move for each row execute function trail_move();

create function trail_sheet() returns trigger language plpgsql as $$
begin
    perform leave_trail(new.assigned_at, new.assigned_by, 'sheetGiven', name, new.id) from person where id = new.student_id;
    return null;
end $$;
create trigger sheet_trailed after insert on sheet for each row execute function trail_sheet();

create function trail_ruling() returns trigger language plpgsql as $$
begin
    perform leave_trail(new.ruled_at, new.ruled_by, 'ruled', person.name, new.bead_id)
    from bead_verdict join person on person.id = bead_verdict.student_id where bead_verdict.bead_id = new.bead_id;
    return null;
end $$;
create trigger ruling_trailed after insert on ruling for each row execute function trail_ruling();

create function trail_sealed() returns trigger language plpgsql as $$
begin
    perform leave_trail(new.sealed_at, new.sealed_by, 'testSealed', name, new.id) from person where id = new.student_id;
    return null;
end $$;
create trigger test_weld_trailed after insert on test_weld for each row execute function trail_sealed();

create function trail_test() returns trigger language plpgsql as $$
begin
    perform leave_trail((new.body::jsonb ->> 'at')::timestamptz, (new.body::jsonb ->> 'by')::uuid,
        case new.kind when 'assessment' then 'testAssessed' when 'signOff' then
        'testSigned' else 'testAmended' end, person.name, new.test_weld_id)
    from test_weld join person on person.id = test_weld.student_id where test_weld.id = new.test_weld_id;
    return null;
end $$;
create trigger test_record_trailed after insert on test_record for each row execute function trail_test();

create function trail_tolerances() returns trigger language plpgsql as $$
begin
    perform leave_trail(new.set_at, new.set_by, 'tolerancesSet', '', null);
    return null;
end $$;
create trigger practice_tolerances_trailed after insert on practice_tolerances for each row execute function trail_tolerances();
