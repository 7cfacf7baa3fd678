-- What was set can have been written down wrong. A look carries it as it was then known; the narrow row, as it is known now.
alter table look
    add column wire_mark double precision,
    add column volt_mark double precision,
    add column amp_mark double precision,
    add column wire_feed_m_per_min double precision,
    add column volts double precision,
    add column amps double precision;
alter table bead_verdict add column amps double precision;
update bead_verdict set amps = bead.amps from bead where bead.id = bead_verdict.bead_id and bead.amps is not null;

drop view bead_now;
create view bead_now as
select bead.id, bead.seq, bead.sheet_id, bead.number, stands.wire_mark, stands.volt_mark, stands.amp_mark, stands.wire_feed_m_per_min,
    stands.volts, stands.amps,
    coalesce(again.evidence, bead.evidence) as evidence, coalesce(again.judgement, bead.judgement) as judgement,
    coalesce(again.id, bead.id) as version,
    stands.ruled, bead.recorded_at, stands.withdrawn, stands.student_id, stands.machine_id, bead.sent
from bead join bead_verdict as stands on stands.bead_id = bead.id
left join look as again on again.id = stands.look_id;
