package apodex.server.levels;

import apodex.server.errands.Errand;
import apodex.server.nodes.ThisNode;
import apodex.server.web.Refused;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** Finds out the levels that a handoff wants, on the node that took it up. */
@Component
class LookErrand implements Errand {
    static final String NAME = "look-ahead";
    private static final Logger LOG = LoggerFactory.getLogger(LookErrand.class);
    private static final long LOOK_EVERY_NANOS = TimeUnit.MILLISECONDS.toNanos(500);

    private final LevelMapper mapper;
    private final ObjectProvider<Levels> levels;
    private final ThisNode node;

    LookErrand(LevelMapper mapper, ObjectProvider<Levels> levels, ThisNode node) {
        this.mapper = mapper;
        this.levels = levels;
        this.node = node;
    }

    @Override
    public String name() {
        return NAME;
    }

    @Override
    public Ending run(String handoffId) {
        LevelMapper.Wanted wanted = mapper.wanted(handoffId);
        if (wanted == null || wanted.failure() != null) {
            return Ending.DONE;
        }
        if (node.isPrinting()) {
            return Ending.LATER;
        }
        Looking.State state = LookingElsewhere.state(handoffId, wanted.state());
        try {
            Optional<Looking.Asked> asked = levels.getObject().asked(state);
            if (asked.isPresent()) {
                Looking.look(asked.get(), new Observer(state), mapper);
            }
            mapper.found(handoffId, wanted.state());
        } catch (CancellationException e) {
            return Ending.LATER;
        } catch (Refused e) {
            mapper.found(handoffId, wanted.state()); // what it was for is gone
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            LOG.warn("Looking ahead for {} failed.", handoffId, e);
            mapper.fail(handoffId, wanted.state(), Looking.inWords(e));
        }
        return mapper.wanted(handoffId) == null ? Ending.DONE : Ending.LATER;
    }

    private final class Observer implements WalkObserver {
        private final Looking.State state;
        private long lookedNanos;
        private boolean over;

        Observer(Looking.State state) {
            this.state = state;
        }

        @Override
        public void printed(double share) {}

        @Override
        public boolean isCancelled() {
            long now = System.nanoTime();
            if (now - lookedNanos > LOOK_EVERY_NANOS) {
                lookedNanos = now;
                over = node.isPrinting() || !LookingElsewhere.isWanted(mapper.wanted(state.handoffId()), state);
            }
            return over || Thread.currentThread().isInterrupted();
        }
    }
}
