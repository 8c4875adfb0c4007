-- Who walked through the repository as whom: only ever added to.
CREATE TABLE walks (
  id BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
  walker VARCHAR(100) NOT NULL,
  walker_name VARCHAR(300) NOT NULL,
  person VARCHAR(64) NOT NULL,
  begun_at DATETIME(6) NOT NULL,
  reason VARCHAR(2000) NOT NULL,
  KEY by_walker (walker, person, begun_at),
  KEY by_person (person, begun_at),
  FOREIGN KEY (person) REFERENCES people (id)
);
