-- Whom somebody told of a wall, with what words, and who said that they had read it. What was told is never altered.
CREATE TABLE wall_notices (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  wall VARCHAR(64) NOT NULL,
  audience ENUM('keepers', 'readers', 'kept_out') NOT NULL,
  text VARCHAR(2000) NOT NULL,
  sent_at DATETIME(6) NOT NULL,
  author VARCHAR(100) NOT NULL,
  author_name VARCHAR(300) NOT NULL,
  FOREIGN KEY (wall) REFERENCES walls (id),
  CONSTRAINT a_notice_says_something CHECK (text <> '')
);

CREATE TABLE wall_notice_readers (
  notice BIGINT NOT NULL,
  person VARCHAR(64) NOT NULL,
  written_at DATETIME(6) NOT NULL,
  acknowledged_at DATETIME(6) NULL,
  PRIMARY KEY (notice, person),
  KEY waiting (person, acknowledged_at),
  FOREIGN KEY (notice) REFERENCES wall_notices (id),
  FOREIGN KEY (person) REFERENCES people (id)
);

-- Whether somebody is told when another walks as them: one row at most, none until somebody decides.
CREATE TABLE walk_settings (
  one BOOLEAN NOT NULL PRIMARY KEY DEFAULT TRUE CHECK (one),
  tells BOOLEAN NOT NULL,
  set_by VARCHAR(100) NOT NULL,
  set_by_name VARCHAR(300) NOT NULL,
  set_at DATETIME(6) NOT NULL
);

-- For what evidence a gap was dismissed: with another one the same place is a gap again. Those of before count whatever the evidence.
ALTER TABLE wall_gap_dismissals ADD COLUMN evidence VARCHAR(80) NULL;
