package drevik.outline;

import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.OutputKind;
import drevik.naming.ChannelName;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * What names say, each worked out once: sorting takes its time, and an outline is read anew at
 * every pause in typing. May be kept and asked by several threads; what was not asked for longest
 * goes.
 */
public final class ReadNames {
  private static final int MOST = 20_000;

  private final Map<String, ChannelName> read =
      new LinkedHashMap<>(64, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, ChannelName> eldest) {
          return size() > MOST;
        }
      };

  ChannelName of(String name) {
    synchronized (read) {
      ChannelName known = read.get(name);
      if (known != null) {
        return known;
      }
    }
    ChannelName said = ChannelName.of(name);
    synchronized (read) {
      read.put(name, said);
    }
    return said;
  }

  /** What is printed of a channel where nothing else is said. */
  OutputKind usualKind(Channel channel) {
    return channel.kind() == ChannelKind.MASTER || of(channel.name()).isMix()
        ? OutputKind.MIX
        : OutputKind.STEM;
  }
}
