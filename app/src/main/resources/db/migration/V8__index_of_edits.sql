-- What an edit asks of those before it is answered without their rows.
create index edit_by_state on edit (shoot_id, undone, number, characters);
