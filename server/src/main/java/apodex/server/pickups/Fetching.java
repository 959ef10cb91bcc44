package apodex.server.pickups;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URL;
import org.springframework.core.io.AbstractResource;
import org.springframework.core.io.Resource;

/**
 * Something to download that says when its last byte has gone out: who breaks off has fetched nothing, and a download that goes on
 * where another broke off has fetched it once.
 */
final class Fetching extends AbstractResource {
    private final Resource resource;
    private final Runnable whenFetched;

    Fetching(Resource resource, Runnable whenFetched) {
        this.resource = resource;
        this.whenFetched = whenFetched;
    }

    @Override
    public InputStream getInputStream() throws IOException {
        return new Counted(resource.getInputStream(), resource.contentLength());
    }

    @Override
    public long contentLength() throws IOException {
        return resource.contentLength();
    }

    @Override
    public boolean exists() {
        return resource.exists();
    }

    @Override
    public String getFilename() {
        return resource.getFilename();
    }

    @Override
    public URL getURL() throws IOException {
        return resource.getURL();
    }

    @Override
    public String getDescription() {
        return resource.getDescription();
    }

    /** Counts what is read and skipped; tells once. */
    private final class Counted extends FilterInputStream {
        private final long length;
        private long at;
        private boolean told;

        Counted(InputStream in, long length) {
            super(in);
            this.length = length;
        }

        @Override
        public int read() throws IOException {
            int read = super.read();
            passed(read < 0 ? 0 : 1);
            return read;
        }

        @Override
        public int read(byte[] bytes, int from, int most) throws IOException {
            int read = super.read(bytes, from, most);
            passed(Math.max(0, read));
            return read;
        }

        @Override
        public long skip(long wanted) throws IOException {
            long skipped = super.skip(wanted);
            at += skipped;
            return skipped;
        }

        private void passed(int count) {
            at += count;
            if (count > 0 && at >= length && !told) {
                told = true;
                whenFetched.run();
            }
        }
    }
}
