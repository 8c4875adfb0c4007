package palegate.server.session;

/** A room where the first question after a start takes long: what it takes is worked out for whoever was there before. */
public interface MadeReady {
  /** One of the console's rooms; it is made ready only for those who have it. */
  String room();

  void makeReady(String account);
}
