-- A token that a browser brings is kept only if it was given out here.
ALTER TABLE known_devices ADD KEY by_token (token_hash);
