-- Evidence in full and looked at again, criteria sets, rulings, pictures, trials, sweeps, test welds.

alter table sheet add column criteria text not null default 'practice'
    check (criteria in ('practice', 'awsD11Static', 'iso5817B', 'iso5817C', 'iso5817D', 'iso10042B', 'iso10042C', 'iso10042D'));

-- A bead has a pair, or on TIG a current.
alter table bead
    alter column wire_feed_m_per_min drop not null,
    alter column volts drop not null,
    add column amp_mark double precision,
    add column amps double precision check (amps > 0),
    add check ((wire_feed_m_per_min is null) = (volts is null)),
    add check ((wire_feed_m_per_min is null) <> (amps is null));
create index bead_newest on bead (sheet_id, recorded_at desc);

-- A bead looked at again: more evidence, judged anew. What was said before is kept; the newest look stands.
create table look (
    id uuid primary key,
    bead_id uuid not null references bead,
    evidence jsonb not null,
    judgement jsonb not null,
    verdict text not null check (verdict in ('right', 'cold', 'hot', 'unsteady', 'technique', 'fault', 'open')),
    rules_version int not null,
    looked_by uuid not null references person,
    looked_at timestamptz not null default now()
);
create index look_newest on look (bead_id, looked_at desc);

-- An instructor's word beside the tool's; both are kept, the newest for an aspect stands.
create table ruling (
    id uuid primary key,
    bead_id uuid not null references bead,
    aspect text check (aspect in ('settings', 'sound', 'appearance', 'penetration', 'beadSize')), -- null for the verdict
    tool text not null,
    instructor text not null,
    reason text not null check (length(reason) <= 300),
    ruled_by uuid not null references person,
    ruled_at timestamptz not null default now(),
    check (tool = instructor or length(reason) > 0)
);
create index ruling_bead on ruling (bead_id, ruled_at desc);

-- Pictures as the server drew them anew from what was sent: nothing of the sender's file is left in them.
create table picture (
    id uuid primary key,
    bead_id uuid not null references bead,
    side text not null check (side in ('face', 'back', 'macro')),
    media_type text not null check (media_type in ('image/jpeg', 'image/png', 'image/webp')),
    width int not null check (width > 0),
    height int not null check (height > 0),
    bytes bytea not null,
    added_by uuid not null references person,
    added_at timestamptz not null default now(),
    withdrawn_at timestamptz
);
create index picture_bead on picture (bead_id, added_at);

-- Marks on a macro; the newest stands.
create table macro_marks (
    id uuid primary key,
    picture_id uuid not null references picture,
    marks jsonb not null,
    measures jsonb not null,
    marked_by uuid not null references person,
    marked_at timestamptz not null default now()
);
create index macro_marks_newest on macro_marks (picture_id, marked_at desc);

create table trial (
    id uuid primary key,
    sheet_id uuid not null references sheet,
    plan jsonb not null,
    started_by uuid not null references person,
    started_at timestamptz not null default now(),
    ended_at timestamptz
);
create index trial_sheet on trial (sheet_id, started_at desc);

create table trial_bead (
    bead_id uuid primary key references bead,
    trial_id uuid not null references trial,
    step int not null check (step > 0),
    fresh_piece boolean not null
);
create index trial_bead_trial on trial_bead (trial_id);

create table sweep (
    id uuid primary key,
    machine_id uuid not null references machine,
    process text not null,
    wire text not null,
    gas text not null,
    volts double precision not null check (volts > 0),
    run jsonb not null,
    finding jsonb not null,
    run_by uuid not null references person,
    run_at timestamptz not null default now(),
    withdrawn_at timestamptz
);
create index sweep_machine on sweep (machine_id, run_at desc);

create table practice_tolerances (
    id uuid primary key,
    body jsonb not null,
    set_by uuid not null references person,
    set_at timestamptz not null default now()
);

-- Test welds are only added to: what is wrong is said in an amendment.
create table test_weld (
    id uuid primary key,
    sheet_id uuid not null references sheet,
    terms jsonb not null,
    seal text not null check (seal ~ '^[0-9a-f]{64}$'), -- SHA-256 over sealed_body
    sealed_body text not null, -- the very letters that were sealed
    sealed_by uuid not null references person,
    sealed_at timestamptz not null default now()
);
create index test_weld_sheet on test_weld (sheet_id);

create table test_assessment (
    id uuid primary key,
    test_weld_id uuid not null references test_weld,
    coupon int not null check (coupon between 1 and 6),
    attempt int not null check (attempt between 1 and 5),
    evidence jsonb not null,
    acceptance jsonb not null,
    accepted boolean not null,
    note text not null check (length(note) <= 500),
    assessor uuid not null references person,
    assessed_at timestamptz not null default now(),
    unique (test_weld_id, coupon, attempt, assessor)
);

create table test_sign_off (
    id uuid primary key,
    test_weld_id uuid not null unique references test_weld,
    passed boolean not null,
    note text not null check (length(note) <= 500),
    signed_by uuid not null references person,
    signed_at timestamptz not null default now()
);

create table test_amendment (
    id uuid primary key,
    test_weld_id uuid not null references test_weld,
    text text not null check (length(text) between 1 and 500),
    amended_by uuid not null references person,
    amended_at timestamptz not null default now()
);

create function only_added_to() returns trigger language plpgsql as $$
begin
    raise exception 'Test-weld records are only added to.';
end $$;
create trigger test_weld_kept before update or delete on test_weld for each row execute function only_added_to();
create trigger test_assessment_kept before update or delete on test_assessment for each row execute function only_added_to();
create trigger test_sign_off_kept before update or delete on test_sign_off for each row execute function only_added_to();
create trigger test_amendment_kept before update or delete on test_amendment for each row execute function only_added_to();

-- Snapshots of the second edition, in the shape of the third: no number is worked out anew.
update bead set judgement = judgement || jsonb_build_object(
    'expected', '[]'::jsonb, 'telling', null, 'acceptance', null, 'followUp', null,
    'shape', (judgement -> 'shape') || jsonb_build_object('joint', sheet.joint))
from sheet where sheet.id = bead.sheet_id;
update sheet set body = jsonb_set(body, '{pair}', body -> 'pair' || '{"learnedBand": [], "learned": null}'::jsonb)
    where body -> 'pair' <> 'null'::jsonb;
update preset set body = jsonb_set(body, '{pair}', body -> 'pair' || '{"learnedBand": [], "learned": null}'::jsonb)
    where body -> 'pair' <> 'null'::jsonb;

create function tell_of_bead() returns trigger language plpgsql as $$
begin
    perform tell_room('bead', sheet.booth_id, sheet.student_id) from bead join sheet on sheet.id = bead.sheet_id
        where bead.id = new.bead_id;
    return null;
end $$;
create trigger look_told after insert on look for each row execute function tell_of_bead();
create trigger ruling_told after insert on ruling for each row execute function tell_of_bead();
create trigger picture_told after insert or update on picture for each row execute function tell_of_bead();
create trigger trial_bead_told after insert on trial_bead for each row execute function tell_of_bead();

create function tell_marks() returns trigger language plpgsql as $$
begin
    perform tell_room('bead', sheet.booth_id, sheet.student_id)
    from picture join bead on bead.id = picture.bead_id join sheet on sheet.id = bead.sheet_id where picture.id = new.picture_id;
    return null;
end $$;
create trigger macro_marks_told after insert on macro_marks for each row execute function tell_marks();

create function tell_of_sheet() returns trigger language plpgsql as $$
begin
    perform tell_room('bead', sheet.booth_id, sheet.student_id) from sheet where sheet.id = new.sheet_id;
    return null;
end $$;
create trigger trial_told after insert or update on trial for each row execute function tell_of_sheet();
create trigger test_weld_told after insert on test_weld for each row execute function tell_of_sheet();

create function tell_test() returns trigger language plpgsql as $$
begin
    perform tell_room('bead', sheet.booth_id, sheet.student_id) from test_weld join sheet on sheet.id = test_weld.sheet_id
        where test_weld.id = new.test_weld_id;
    return null;
end $$;
create trigger test_assessment_told after insert on test_assessment for each row execute function tell_test();
create trigger test_sign_off_told after insert on test_sign_off for each row execute function tell_test();
create trigger test_amendment_told after insert on test_amendment for each row execute function tell_test();

create trigger sweep_told after insert or update on sweep for each row execute function tell_machine();
