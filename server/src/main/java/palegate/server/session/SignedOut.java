package palegate.server.session;

/** Somebody has signed out: whatever is still open for their session is to end. */
public record SignedOut(String session) {}
