package apodex.server.briefs;

import apodex.handoff.Brief;
import apodex.server.accounts.Who;
import apodex.server.web.Refused;
import apodex.session.NameRule;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps people's own briefs beside those that come with Apodex, which cannot be changed, only copied. */
@Service
public class Briefs {
    private static final String FIRST = id(Brief.FOR_MIXING);

    private final BriefMapper mapper;
    private final Who who;

    Briefs(BriefMapper mapper, Who who) {
        this.who = who;
        this.mapper = mapper;
    }

    /**
     * A brief on the list.
     *
     * @param builtIn whether it comes with Apodex
     * @param usual   whether new handoffs begin with it
     * @param own     whether it can be changed by whoever asks
     * @param shared  whether everybody in the house has it
     */
    public record BriefEntry(String id, boolean builtIn, boolean usual, boolean own, boolean shared, Brief brief) {}

    public List<BriefEntry> all() {
        String usual = mapper.usual(who.ownerId());
        List<BriefEntry> all = new ArrayList<>();
        Brief.BUILT_IN.forEach(
                brief -> all.add(new BriefEntry(id(brief), true, id(brief).equals(usual), false, true, brief)));
        mapper.seenBy(who.onlyOf())
                .forEach(own -> all.add(
                        new BriefEntry(own.id(), false, own.id().equals(usual), own.own(), own.shared(), own.brief())));
        return all;
    }

    /** What new handoffs begin with. */
    public Brief usual() {
        return all().stream()
                .filter(BriefEntry::usual)
                .map(BriefEntry::brief)
                .findFirst()
                .orElse(Brief.FOR_MIXING);
    }

    BriefEntry create(Brief brief) {
        Brief named = named(brief, Optional.empty());
        String id = UUID.randomUUID().toString();
        mapper.insert(id, who.ownerId(), named);
        return find(id);
    }

    /** Keeps a brief that somebody sent, under another name where its own is taken by another. */
    BriefEntry takeIn(Brief brief) {
        List<BriefEntry> all = all();
        Optional<BriefEntry> here =
                all.stream().filter(entry -> entry.brief().equals(brief)).findFirst();
        if (here.isPresent()) {
            return here.get();
        }
        String name = NameRule.check("name", brief.name());
        String free = name;
        for (int copy = 2; isTaken(all, free); copy++) {
            free = name + " (" + copy + ")";
        }
        return create(brief.named(free));
    }

    private static boolean isTaken(List<BriefEntry> all, String name) {
        return all.stream().anyMatch(entry -> entry.brief().name().equalsIgnoreCase(name));
    }

    BriefEntry replace(String id, Brief brief) {
        own(id);
        mapper.update(id, named(brief, Optional.of(id)));
        return find(id);
    }

    @Transactional
    void remove(String id) {
        BriefEntry own = own(id);
        mapper.delete(id);
        if (own.usual()) {
            mapper.makeUsual(who.ownerId(), FIRST);
        }
    }

    /** Lets everybody in the house have it, or nobody else. */
    BriefEntry share(String id, boolean shared) {
        own(id);
        mapper.share(id, shared);
        return find(id);
    }

    BriefEntry makeUsual(String id) {
        find(id);
        mapper.makeUsual(who.ownerId(), id);
        return find(id);
    }

    private BriefEntry own(String id) {
        BriefEntry entry = find(id);
        if (entry.builtIn()) {
            throw Refused.conflict("“" + entry.brief().name() + "” comes with Apodex; copy it to change it.");
        }
        return entry;
    }

    BriefEntry find(String id) {
        return all().stream()
                .filter(entry -> entry.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Refused.notFound("There is no brief “" + id + "”."));
    }

    private Brief named(Brief brief, Optional<String> itself) {
        if (brief == null) {
            throw Refused.unusable("The request holds no brief.").with("field", "brief");
        }
        String name = NameRule.check("name", brief.name());
        if (all().stream()
                .anyMatch(entry -> entry.brief().name().equalsIgnoreCase(name)
                        && !entry.id().equals(itself.orElse("")))) {
            throw Refused.conflict("There is a brief “" + name + "” already; give this one another name.")
                    .with("field", "name");
        }
        return brief.named(name);
    }

    private static String id(Brief builtIn) {
        return builtIn.name().toLowerCase(Locale.ROOT).replace(' ', '-');
    }
}
