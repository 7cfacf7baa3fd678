-- Sentences are kept as words with their values. What was kept as plain text is read as it stands.
alter table bead_standing alter column next type jsonb using to_jsonb(next);

-- A school is an institution; how settings are found is a way of setting.
alter table person rename column school to way_of_setting;

create function pg_temp.renamed(body jsonb) returns jsonb language sql immutable as $$
    select (body - array['school', 'differences']) || jsonb_build_object('way', body -> 'school', 'otherWays', body -> 'differences')
$$;
update sheet set body = pg_temp.renamed(body) where body ? 'school';
update preset set body = pg_temp.renamed(body) where body ? 'school';
update trial set plan = jsonb_set(plan, '{steps}', (
    select jsonb_agg(case when step -> 'sheet' ? 'school' then jsonb_set(step, '{sheet}', pg_temp.renamed(step -> 'sheet')) else step end
        order by place)
    from jsonb_array_elements(plan -> 'steps') with ordinality as entry (step, place)))
where jsonb_array_length(plan -> 'steps') > 0;
