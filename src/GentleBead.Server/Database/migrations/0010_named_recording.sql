-- A recording as an instructor has named it, for the drills of the practice room; the newest stands, one without a clip takes it out.
create table named_recording (
    id uuid primary key,
    seq bigint generated always as identity unique,
    recording_id uuid not null references recording,
    deviation text,
    clip jsonb,
    named_by uuid not null references person,
    named_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32),
    check ((deviation is null) = (clip is null))
);
create index named_recording_standing on named_recording (recording_id, seq desc);
create index named_recording_deviation on named_recording (deviation, seq desc);

create function tell_named() returns trigger language plpgsql as $$
begin
    perform tell_room('bead', sheet.booth_id, sheet.student_id)
    from recording join bead on bead.id = recording.bead_id join sheet on sheet.id = bead.sheet_id where recording.id = new.recording_id;
    return null;
end $$;
create trigger named_recording_told after insert on named_recording for each row execute function tell_named();
