package palegate.cli;

import java.lang.reflect.InvocationTargetException;
import java.time.Clock;
import picocli.CommandLine;

/** Makes the commands, handing the clock to those that ask for it. */
final class CommandFactory implements CommandLine.IFactory {
  private final Clock clock;

  CommandFactory(Clock clock) {
    this.clock = clock;
  }

  @Override
  public <K> K create(Class<K> type) throws Exception {
    try {
      return type.getDeclaredConstructor(Clock.class).newInstance(clock);
    } catch (NoSuchMethodException withoutClock) {
      return CommandLine.defaultFactory().create(type);
    } catch (InvocationTargetException failed) {
      throw new IllegalStateException("The command " + type.getSimpleName() + " could not be made.", failed);
    }
  }
}
