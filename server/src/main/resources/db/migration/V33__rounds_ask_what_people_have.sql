-- Rounds also ask what a person has at a place, by whatever way.
ALTER TABLE round_items MODIFY kind ENUM('membership', 'grant', 'oversight', 'exception', 'clearance', 'duty', 'access') NOT NULL;
