-- One live membership a member and period, one live login, an identity of their own for walls.

ALTER TABLE memberships
  ADD COLUMN member_key VARCHAR(140) AS (CONCAT(COALESCE(CONCAT('person ', member_person), CONCAT('group ', member_group)), '|',
    COALESCE(holds_from, ''), '|', COALESCE(holds_until, ''))) PERSISTENT,
  ADD COLUMN live TINYINT AS (IF(ended IS NULL, 1, NULL)) PERSISTENT,
  ADD UNIQUE KEY one_live_membership (group_id, member_key, live);

ALTER TABLE person_states MODIFY login VARCHAR(200) NULL, MODIFY email VARCHAR(320) NULL;
ALTER TABLE person_states
  ADD COLUMN login_key VARCHAR(200) AS (LOWER(TRIM(login))) PERSISTENT,
  ADD UNIQUE KEY one_live_login (login_key, live);

CREATE TABLE walls (id VARCHAR(64) NOT NULL PRIMARY KEY);
INSERT INTO walls (id) SELECT DISTINCT wall FROM wall_states;
ALTER TABLE wall_states ADD FOREIGN KEY (wall) REFERENCES walls (id);
