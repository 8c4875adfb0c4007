-- Content belongs to a document's life, not to its id: what comes back under an id as something else has a life of its own.
ALTER TABLE places ADD COLUMN life INT NOT NULL DEFAULT 0;
ALTER TABLE document_contents
  ADD COLUMN life INT NOT NULL DEFAULT 0 AFTER place,
  ADD KEY by_place (place),
  DROP PRIMARY KEY,
  ADD PRIMARY KEY (place, life);
