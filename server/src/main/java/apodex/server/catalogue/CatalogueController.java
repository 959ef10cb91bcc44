package apodex.server.catalogue;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.Nature;
import apodex.effect.Setting;
import apodex.handoff.RowByHand;
import apodex.handoff.Settings;
import apodex.instrument.Instrument;
import apodex.instrument.Instrument.Part;
import apodex.instrument.Instruments;
import apodex.session.Bounds;
import apodex.session.Clip;
import apodex.session.NameRule;
import apodex.session.Role;
import apodex.session.SetAbout;
import apodex.session.Strip;
import apodex.time.TempoMap;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CatalogueController {
    /**
     * An effect that can be inserted.
     *
     * @param words    what it does, in one line
     * @param takesKey whether it can listen to another row
     */
    record EffectEntry(String id, String name, String words, Nature nature, boolean takesKey, List<Setting> settings) {
        static EffectEntry of(Effect effect) {
            return new EffectEntry(
                    effect.id(), effect.name(), effect.words(), effect.nature(), effect.takesKey(), effect.settings());
        }
    }

    /** An instrument that can play notes. */
    record InstrumentEntry(String id, String name, String words, List<Part> parts) {
        static InstrumentEntry of(Instrument instrument) {
            return new InstrumentEntry(instrument.id(), instrument.name(), instrument.words(), instrument.parts());
        }
    }

    /**
     * What values and names are held to wherever they are typed.
     *
     * @param roles       what a row can be in the music, in the order of a song's rows
     * @param longestName in characters
     * @param longestNote in characters
     */
    record Rules(
            List<Role> roles,
            Bounds tempo,
            Bounds levelDb,
            Bounds pan,
            Bounds clipGainDb,
            Bounds trimDb,
            Bounds leadInBars,
            Bounds tailSeconds,
            int longestName,
            int longestNote) {}

    @GetMapping("/api/rules")
    Rules rules() {
        return new Rules(
                List.of(Role.values()),
                new Bounds(TempoMap.SLOWEST, TempoMap.FASTEST),
                Strip.LEVEL_DB,
                Strip.PAN,
                Clip.GAIN_DB,
                RowByHand.TRIM_DB,
                Settings.LEAD_IN_BARS,
                Settings.TAIL_SECONDS,
                NameRule.LONGEST,
                SetAbout.LONGEST_NOTE);
    }

    @GetMapping("/api/effects")
    List<EffectEntry> effects() {
        return Effects.ALL.stream().map(EffectEntry::of).toList();
    }

    @GetMapping("/api/instruments")
    List<InstrumentEntry> instruments() {
        return Instruments.ALL.stream().map(InstrumentEntry::of).toList();
    }
}
