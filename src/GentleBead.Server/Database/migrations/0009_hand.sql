-- Which hand a person holds the torch in, and how far the tip stood off while a sweep was run.
alter table person add column hand text check (hand in ('right', 'left'));
alter table sweep add column stick_out_mm double precision check (stick_out_mm between 1 and 50);
