-- What the application does to each table. It owns nothing, and may neither truncate nor switch triggers off.
revoke all on all tables in schema public from the_application;
revoke all on schema public from the_application;
grant usage on schema public to the_application;
grant select, insert on all tables in schema public to the_application;
revoke insert on schemaversions from the_application;

-- A record is withdrawn, never changed.
grant update (withdrawn_by, withdrawn_at) on bead to the_application;
grant update (withdrawn_at) on reading, door_chart, kept_setting, picture, recording, sweep, remark, foreign_logbook to the_application;
grant update (taken_by, taken_at) on sweep to the_application;
grant update (ended_at) on trial to the_application;
grant update (lowered_at, lowered_by) on hand to the_application;
grant update (ended_at, ended_by) on stop to the_application;
grant update (title, held_on, begins, ends, begins_at, ends_at, room_id, cancelled, version) on session to the_application;
grant update (name, room_id, first_day, last_day, hours, tool_word, version, calendar_key) on course to the_application;
grant update (first_day, last_day, version) on enrolment to the_application;
grant update (name, time_zone) on school to the_application;
grant update (retired) on exercise to the_application;
grant update (name, version) on room to the_application;
grant update (number, version) on booth to the_application;
grant update (units, way_of_setting, hand, password_hash, deactivated_at, demo) on person to the_application;

-- A sign-in and a code are used up; tries and set-up codes are states.
grant update (ended_at) on sign_in to the_application;
grant update (used_at) on password_reset to the_application;
grant update, delete on sign_in_try, address_try, set_up_code to the_application;

-- A PIN, a tablet's key and who stands at it are states; a pairing code is used up.
grant update (pin_hash, set_by, set_at) on pin to the_application;
grant update (used_at) on pairing_code to the_application;
grant update (key_hash, former_key_hash, key_made_at, seen_at, put_away_at, put_away_by) on tablet to the_application;
grant update (touched_at, ended_at) on tablet_sign_in to the_application;

-- What waited for the network and is to be placed is settled once.
grant update (settled_at, settled_by, placed) on unplaced_bead to the_application;

-- Who stands where, who teaches and what is ticked is a state, not a record; uploads pass through.
grant update, delete on place, course_instructor, check_tick, stand_in, upload_part to the_application;

-- Kept up from the records, and could be made anew from them.
grant update (booth_id, moved) on machine to the_application;
grant update on bead_verdict, machine_wear, machine_use, learned_window, skill, machine_difficulty, kind_difficulty to the_application;
grant delete on learned_window to the_application;

-- What is kept no longer goes by the owner's functions and by nothing else.
grant execute on function let_go(text, timestamptz, int), forget_person(uuid, text, text[]) to the_application;
