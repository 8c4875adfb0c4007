-- A bin asks for what one account did in the last days: without this it would read every change there ever was.
ALTER TABLE changes ADD KEY by_author (author, made_at);
