package apodex.server.levels;

import apodex.server.errands.Errands;
import jakarta.annotation.Nullable;
import java.util.Optional;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;

/** Says in the database which levels are wanted, for a node that prints to find them out. */
@Component
@ConditionalOnExpression("!'${apodex.storage.address}'.isBlank()")
class LookingElsewhere implements Looking {
    private final LevelMapper mapper;
    private final Errands errands;

    LookingElsewhere(LevelMapper mapper, Errands errands) {
        this.mapper = mapper;
        this.errands = errands;
    }

    @Override
    public boolean isAt(State state) {
        LevelMapper.Wanted wanted = mapper.wanted(state.handoffId());
        return wanted != null && wanted.failure() == null && word(state).equals(wanted.state());
    }

    @Override
    public Optional<String> ask(Asked asked) {
        String handoff = asked.handoffId();
        LevelMapper.Wanted wanted = mapper.wanted(handoff);
        boolean same = wanted != null && word(asked.state()).equals(wanted.state());
        if (same && wanted.failure() != null) {
            return Optional.of(wanted.failure());
        }
        if (!same) {
            mapper.want(handoff, word(asked.state()));
        }
        errands.ask(LookErrand.NAME, handoff);
        return Optional.empty();
    }

    /** As it stands in the table. */
    static String word(State state) {
        return state.sessionRevision() + " " + state.revision() + " " + state.scope();
    }

    static State state(String handoffId, String word) {
        String[] parts = word.split(" ");
        return new State(handoffId, Integer.parseInt(parts[0]), Integer.parseInt(parts[1]), Scope.valueOf(parts[2]));
    }

    /** @param failure null while it is looked for */
    static boolean isWanted(@Nullable LevelMapper.Wanted wanted, State state) {
        return wanted != null && wanted.state().equals(word(state));
    }
}
