package apodex.server.catalogue;

import apodex.effect.Effect;
import apodex.effect.Effects;
import apodex.effect.Nature;
import apodex.effect.Setting;
import apodex.instrument.Instrument;
import apodex.instrument.Instrument.Part;
import apodex.instrument.Instruments;
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

    @GetMapping("/api/effects")
    List<EffectEntry> effects() {
        return Effects.ALL.stream().map(EffectEntry::of).toList();
    }

    @GetMapping("/api/instruments")
    List<InstrumentEntry> instruments() {
        return Instruments.ALL.stream().map(InstrumentEntry::of).toList();
    }
}
