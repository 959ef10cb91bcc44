package apodex.server.runs;

import apodex.handoff.AsPlanned;
import apodex.handoff.Changes;
import apodex.handoff.ContentKeys;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.server.handoffs.HandoffState;
import apodex.server.handoffs.Handoffs;
import apodex.server.sessions.Sessions;
import apodex.server.storage.Storage;
import apodex.session.Session;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Compares what a handoff would print now with what its last run printed. */
@Service
class WhatChanged {
    private static final int MOST_EDITS = 12;

    private final RunMapper mapper;
    private final Handoffs handoffs;
    private final Sessions sessions;
    private final Storage storage;

    WhatChanged(RunMapper mapper, Handoffs handoffs, Sessions sessions, Storage storage) {
        this.mapper = mapper;
        this.handoffs = handoffs;
        this.sessions = sessions;
        this.storage = storage;
    }

    SinceLastRun since(String handoffId) {
        HandoffState state = handoffs.get(handoffId);
        Plan plan = state.plan();
        List<String> all = plan.prints().stream().map(Print::path).toList();
        String last = mapper.lastDone(handoffId);
        if (last == null) {
            return new SinceLastRun(null, List.of(), all, 0);
        }
        Run run = mapper.find(last);
        Session session = sessions.get(state.sessionId()).session();
        Set<String> keys = keys(run);
        Handoff handoff = state.handoff();
        ContentKeys now = new ContentKeys(AsPlanned.of(session, handoff), plan, handoff.settled());
        List<String> fresh = plan.prints().stream()
                .filter(print -> !keys.contains(now.of(print)))
                .map(Print::path)
                .toList();
        return new SinceLastRun(run.number(), words(run, state), fresh, all.size() - fresh.size());
    }

    private List<String> words(Run run, HandoffState state) {
        List<String> words = new ArrayList<>();
        List<String> edits = sessions.descriptionsSince(state.sessionId(), run.sessionRevision());
        edits.stream().limit(MOST_EDITS).forEach(edit -> words.add(edit + "."));
        if (edits.size() > MOST_EDITS) {
            words.add("And " + (edits.size() - MOST_EDITS) + " more edits of the session.");
        }
        words.addAll(Changes.between(run.handoff(), state.handoff(), run.plan(), state.plan()));
        return words;
    }

    private Set<String> keys(Run run) {
        try {
            return new StoredRun(storage, mapper.storedAs(run.id()))
                    .result().prints().stream().map(Printing.Made::key).collect(Collectors.toSet());
        } catch (IOException | RuntimeException e) {
            return Set.of(); // printed by an earlier version, or no longer there
        }
    }
}
