-- Content has versions: what is put there later stands beside what was there before.
ALTER TABLE document_contents
  ADD COLUMN version INT NOT NULL DEFAULT 1 AFTER life,
  MODIFY media_type VARCHAR(80) NOT NULL,
  DROP PRIMARY KEY,
  ADD PRIMARY KEY (place, life, version);

-- What the newest version says, for searching.
CREATE TABLE document_texts (
  place VARCHAR(64) NOT NULL,
  life INT NOT NULL,
  version INT NOT NULL,
  text MEDIUMTEXT NOT NULL,
  PRIMARY KEY (place, life),
  FULLTEXT KEY said (text),
  FOREIGN KEY (place) REFERENCES places (id)
);

-- Who opened what, took a copy of it out, or was refused. Never changed, and kept for as long as the customer says.
CREATE TABLE openings (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  person VARCHAR(64) NOT NULL,
  place VARCHAR(64) NOT NULL,
  life INT NOT NULL,
  made_at DATETIME(6) NOT NULL,
  how ENUM('open', 'copy', 'refused') NOT NULL,
  KEY by_place (place, made_at),
  KEY by_person (person, made_at),
  FOREIGN KEY (person) REFERENCES people (id),
  FOREIGN KEY (place) REFERENCES places (id)
);

-- What a person's own rights let them change is a change like any other, without a draft.
ALTER TABLE changes MODIFY origin ENUM('draft', 'import', 'papers') NOT NULL;
