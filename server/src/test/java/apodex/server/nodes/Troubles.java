package apodex.server.nodes;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.random.RandomGenerator;

/** What befalls a house of several machines, one thing after the other, by chance. */
final class Troubles implements Runnable {
    /** Past the eight seconds after which others take a node for dead. */
    private static final int LONG_SLEEP_MS = 12_000;

    /** Whom it befalls: one thing at a time each. */
    enum Whom {
        NODES,
        WHAT_THEY_STAND_ON
    }

    private final Cluster cluster;
    private final Whom whom;
    private final RandomGenerator random;
    private final Map<String, Integer> counts = new TreeMap<>();
    private final List<String> said = new ArrayList<>();
    private volatile boolean isOver;

    Troubles(Cluster cluster, Whom whom, RandomGenerator random) {
        this.cluster = cluster;
        this.whom = whom;
        this.random = random;
    }

    void end() {
        isOver = true;
    }

    /** How often each befell. */
    Map<String, Integer> counts() {
        return counts;
    }

    /** What went wrong with the troubles themselves. */
    List<String> said() {
        return said;
    }

    @Override
    public void run() {
        try {
            while (!isOver) {
                Thread.sleep(random.nextInt(500, 4000));
                if (!isOver) {
                    befall();
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (Exception | AssertionError e) {
            said.add(e.toString());
        }
    }

    private void befall() throws Exception {
        Cluster.Node node = cluster.nodes.get(random.nextInt(cluster.nodes.size()));
        DatabaseMember member = cluster.databases.get(random.nextInt(cluster.databases.size()));
        switch (whom == Whom.NODES ? random.nextInt(5) : random.nextInt(5, 8)) {
            case 0, 1 -> {
                count("node killed");
                node.process().kill();
                Thread.sleep(random.nextInt(3000));
                node.process().start();
            }
            case 2 -> {
                count("node stopped politely");
                node.process().stop();
                node.process().start();
            }
            case 3 -> {
                count("node asleep past its lease");
                node.process().pause();
                Thread.sleep(LONG_SLEEP_MS + random.nextInt(4000));
                node.process().wake();
            }
            case 4 -> {
                count("node cut off");
                node.cut();
                Thread.sleep(random.nextInt(2000, 14_000));
                node.mend();
            }
            case 5 -> {
                count("store killed");
                cluster.store.kill();
                Thread.sleep(random.nextInt(2000));
                cluster.store.start();
            }
            case 6 -> {
                count("store asleep");
                cluster.store.pause();
                Thread.sleep(random.nextInt(1000, 8000));
                cluster.store.wake();
            }
            default -> befall(member);
        }
    }

    private void befall(DatabaseMember member) throws Exception {
        switch (random.nextInt(cluster.databases.size() > 1 ? 3 : 2)) {
            case 0 -> {
                count("database killed");
                member.kill();
                member.start();
            }
            case 1 -> {
                count("database asleep");
                member.pause();
                Thread.sleep(random.nextInt(1000, 12_000));
                member.wake();
                member.awaitAnswer();
            }
            default -> {
                count("database cut off from the others");
                member.cutOff();
                Thread.sleep(random.nextInt(2000, 14_000));
                member.mend();
                member.awaitAnswer();
            }
        }
    }

    private void count(String what) {
        counts.merge(what, 1, Integer::sum);
    }
}
