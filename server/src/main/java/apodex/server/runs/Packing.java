package apodex.server.runs;

import apodex.handoff.Plan;
import apodex.intake.SessionFile;
import apodex.parcel.Difference;
import apodex.parcel.Parcel;
import apodex.parcel.ZipPieces;
import apodex.proof.Proof;
import apodex.server.storage.Patience;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Packs what was printed and read back: says what its zips are made of. */
@Component
class Packing {
    private final RunMapper mapper;

    Packing(RunMapper mapper) {
        this.mapper = mapper;
    }

    List<RunMapper.StoredParcel> of(Attempt attempt, Plan plan, Proof proof) throws IOException {
        Run run = attempt.run();
        RunFolder folder = attempt.folder();
        Parcel parcel = new Parcel(run.session(), run.handoff(), plan, proof, SessionFile.document(run.session()));
        List<ZipPieces> zips = new ArrayList<>(parcel.zips(folder.files()));
        int whole = zips.size();
        Optional<Difference> difference = sinceLast(run, plan, proof);
        if (difference.isPresent()) {
            zips.add(parcel.changes(difference.get(), folder.files()));
        }
        folder.keep(zips);
        List<RunMapper.StoredParcel> parcels = new ArrayList<>();
        for (int part = 0; part < zips.size(); part++) {
            ZipPieces zip = zips.get(part);
            String since = part < whole ? null : difference.orElseThrow().since();
            parcels.add(new RunMapper.StoredParcel(run.id(), part, zip.name(), zip.length(), null, since));
        }
        return parcels;
    }

    /** How this run differs from the one before; empty where there is none, or a parcel of the difference would be of no use. */
    private Optional<Difference> sinceLast(Run run, Plan plan, Proof proof) {
        String last = Patience.with(() -> mapper.lastDone(run.handoffId()));
        Run before = last == null ? null : Patience.with(() -> mapper.find(last));
        return before == null || before.proof() == null
                ? Optional.empty()
                : Optional.of(Difference.between(before.version(), before.plan(), before.proof(), plan, proof))
                        .filter(Difference::isWorthIt);
    }
}
