package apodex.server.levels;

import apodex.handoff.LookAhead;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;

/** Finds levels out. Of a handoff only the latest state is looked at: an older one is given up as soon as a newer one is asked for. */
interface Looking {
    /** Printing takes all of the machine, this half of it. */
    int THREADS = Math.max(1, Runtime.getRuntime().availableProcessors() / 2);

    /** A state of a handoff and of its session. */
    record State(String handoffId, int sessionRevision, int revision, Scope scope) {
        State everywhere() {
            return new State(handoffId, sessionRevision, revision, Scope.EVERYWHERE);
        }
    }

    /** What of a plan is looked at. */
    enum Scope {
        /** The files that will be printed. */
        CHOSEN,
        /** Wherever rows could be taken as well: gives way to what somebody chose. */
        EVERYWHERE
    }

    /**
     * A plan whose levels are wanted.
     *
     * @param known what is known of it, by key
     */
    record Asked(State state, LookAhead ahead, Map<String, FileLevel> known) {
        String handoffId() {
            return state.handoffId();
        }
    }

    /** Looks, and keeps what it sees. */
    static void look(Asked asked, WalkObserver observer, LevelMapper mapper) throws IOException {
        asked.ahead()
                .of(key -> Optional.ofNullable(asked.known().get(key)).map(FileLevel::quietAt), observer)
                .forEach((key, printed) ->
                        mapper.save(key, FileLevel.of(printed.channels(), printed.quietAt(), printed.measures())));
    }

    /** Why levels will not come. */
    static String inWords(Throwable e) {
        return e instanceof IOException ? e.getMessage() : "Something went wrong on our side; the log says more.";
    }

    /** Whether the levels of this state are being found out, or are about to be. */
    boolean isAt(State state);

    /**
     * Sees to it that a plan's levels will be known.
     *
     * @return why they will not, when that was tried a short while ago
     */
    Optional<String> ask(Asked asked);
}
