-- What machines, wire and gas were used for, month by month: kept up as beads come and change, so that no year has to be read bead by
-- bead. Withdrawn beads took their wire and gas all the same.
create table machine_use (
    month date not null,                -- its first day, in UTC
    machine_id uuid not null references machine,
    process text not null,
    wire text not null,                 -- empty for TIG
    gas text not null,
    beads int not null,
    right_beads int not null,
    timed_beads int not null,           -- of which the arc was timed; of the others it is reckoned
    arc_seconds double precision not null,
    wire_m double precision not null,
    gas_l double precision not null,
    primary key (month, machine_id, process, wire, gas)
);

-- An arc that was not timed is reckoned by the sheet: a plug's seconds, or a usual coupon of 150 mm at its travel speed.
create function add_use(of_bead bead_verdict, times int) returns void language plpgsql as $$
declare arc double precision; flow double precision;
begin
    select coalesce(of_bead.arc_seconds, (body ->> 'plugSeconds')::double precision,
            150 * 60 / nullif((body ->> 'travelMmPerMin')::double precision, 0), 30),
        coalesce((body #>> '{gasFlow,aimLPerMin}')::double precision, 0)
    into arc, flow from sheet where id = of_bead.sheet_id;
    insert into machine_use values (date_trunc('month', of_bead.recorded_at at time zone 'UTC')::date, of_bead.machine_id, of_bead.process,
        coalesce(of_bead.wire, ''), of_bead.gas, times, case when of_bead.counted = 'right' and not of_bead.withdrawn then times else 0 end,
        case when of_bead.arc_seconds is null then 0 else times end, times * arc,
        times * coalesce(of_bead.wire_feed_m_per_min, 0) * arc / 60, times * flow * arc / 60)
    on conflict (month, machine_id, process, wire, gas) do update set
        beads = machine_use.beads + excluded.beads, right_beads = machine_use.right_beads + excluded.right_beads,
        timed_beads = machine_use.timed_beads + excluded.timed_beads, arc_seconds = machine_use.arc_seconds + excluded.arc_seconds,
        wire_m = machine_use.wire_m + excluded.wire_m, gas_l = machine_use.gas_l + excluded.gas_l;
end $$;
create function count_use() returns trigger language plpgsql as $$
begin
    if tg_op = 'UPDATE' then perform add_use(old, -1); end if;
    perform add_use(new, 1);
    return null;
end $$;
create trigger bead_verdict_used after insert on bead_verdict for each row execute function count_use();
create trigger bead_verdict_used_otherwise after update on bead_verdict for each row
    when (old.counted is distinct from new.counted or old.withdrawn <> new.withdrawn or old.arc_seconds is distinct from new.arc_seconds
        or old.wire_feed_m_per_min is distinct from new.wire_feed_m_per_min)
    execute function count_use();
do $$
declare one bead_verdict;
begin
    for one in select * from bead_verdict loop
        perform add_use(one, 1);
    end loop;
end $$;

-- Whether a part was replaced or only seen to; of what was noted before, nobody knows.
alter table upkeep add column replaced boolean not null default false;
create index upkeep_when on upkeep (done_at);
create index bottle_reading_when on bottle_reading (read_at);

-- What things cost, in editions.
create table price_edition (
    id uuid primary key,
    seq bigint generated always as identity unique,
    edition int not null unique check (edition > 0),
    body jsonb not null,
    made_by uuid references person,
    made_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create trigger price_edition_kept before update or delete on price_edition for each row execute function only_added_to();
