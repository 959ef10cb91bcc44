package apodex.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.handoff.Brief;
import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Stretch;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.PanLaw;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.SessionRules;
import apodex.session.Station;
import apodex.session.Strip;
import apodex.signal.Passage;
import org.junit.jupiter.api.Test;

/** Documents as the first version stored them. */
final class FullSessionModelTest {
    private static final String SESSION =
            """
            {"song":{"title":"Low Tide Waltz","artist":"","tempo":96.0,"meter":"3/4","key":"G major"},"rate":48000,"startReference":7,
             "originated":"2026-05-17","recordings":[{"sha256":"aa","fileName":"t.wav","rate":48000,"channels":1,"sample":"int24","frames":100,
             "timeReference":null,"originated":null}],"rows":[{"type":"audio","id":"r1","name":"Tuba","clips":[{"recording":"aa","firstChannel":0,
             "channels":1,"position":5,"offset":1,"frames":50,"gainDb":-3.0,"fadeInFrames":4,"fadeOutFrames":0}]},{"type":"mix","id":"mix","name":"Mix"}]}""";
    private static final String PLAN =
            """
            {"name":"p","prints":[{"file":"01_Tuba.wav","folder":"Tracks","row":"r1","rowName":"Tuba","station":"raw","channels":1,
             "sides":"monoFromLeft","bytes":9}],"rows":[{"row":"r1","number":1,"name":"Tuba","stations":["raw"],"image":"mono","channels":1,
             "evidence":"e","peakDbfs":-3.0},{"row":"mix","number":0,"name":"Mix","stations":["fader"],"image":null,"channels":1,"evidence":"e",
             "peakDbfs":null}],"rate":48000,"frames":55,"startReference":7,"depth":"int24","ownDepth":"int24","bytes":9}""";

    @Test
    void anOldSessionSoundsAsItDid() {
        Session session = SessionRules.checked(SessionDocument.read(FullSessionModel.session(SESSION), Session.class));
        AudioRow tuba = session.audioRows().get(0);
        assertThat(tuba.clips()).containsExactly(new Clip("aa", 0, 1, 5, 1, 50, -3, 4, 0));
        assertThat(tuba.strip()).isEqualTo(Strip.PLAIN);
        assertThat(session.panLaw()).isEqualTo(PanLaw.ZERO);
        assertThat(session.panLaw().mono(0, 0)).isCloseTo(1, org.assertj.core.api.Assertions.within(1e-12));
        assertThat(session.mix().strip()).isEqualTo(Strip.feeding());
    }

    @Test
    void anOldRunsPlanCanStillBeRead() {
        Plan plan = SessionDocument.read(HandoffsByBrief.plan(FullSessionModel.plan(PLAN)), Plan.class);
        assertThat(plan.passage().range().end()).isEqualTo(55);
        assertThat(plan.passage().tail()).isEqualTo(Passage.Tail.NONE);
        assertThat(plan.prints().get(0).trimDb()).isZero();
    }

    @Test
    void anOldHandoffPrintsWhatItPrinted() {
        String old =
                """
                {"name":"m","depth":"int16","chosen":[{"row":"a","station":"raw"}],"range":{"from":{"unit":"bars","at":5},"to":{"unit":"bars","at":21}},
                 "leadInBars":2,"sides":{"a":"mono"},"trimsDb":{"a":-3.0,"b":1.0},"notes":true,"format":null}""";
        Handoff handoff = SessionDocument.read(HandoffsByBrief.handoff(old), Handoff.class);
        assertThat(handoff.brief()).isEqualTo(Brief.BY_HAND);
        assertThat(handoff.added()).containsExactly(new Handoff.Choice("a", Station.RAW));
        assertThat(handoff.settled().depth()).isEqualTo(Depth.INT16);
        assertThat(handoff.settled().leadInBars()).isEqualTo(2);
        assertThat(handoff.row("a").sides()).isEqualTo(Handoff.Sides.MONO);
        assertThat(handoff.row("a").trimDb()).isEqualTo(-3.0);
        assertThat(handoff.row("b").trimDb()).isEqualTo(1.0);
        assertThat(handoff.sections().get(0).stretch().to()).isEqualTo(new Stretch.Point(Stretch.CountedIn.BARS, 21));
        assertThat(SessionDocument.read(HandoffsByBrief.handoff("{\"name\":\"m\",\"chosen\":null}"), Handoff.class))
                .isEqualTo(Handoff.named("m"));
    }
}
