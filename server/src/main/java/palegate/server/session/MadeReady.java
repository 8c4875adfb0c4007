package palegate.server.session;

import java.util.List;

/** A room where the first question after a start takes long: what it takes is worked out for whoever was there before. */
public interface MadeReady {
  /** One of the console's rooms; it is made ready only for those who have it. */
  String room();

  /** The answers to the first questions, as they would be sent; none if it is enough that they were worked out. */
  List<Object> makeReady(String account);
}
