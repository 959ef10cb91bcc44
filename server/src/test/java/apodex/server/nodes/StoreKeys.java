package apodex.server.nodes;

import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What lies in a store, asked for without our client. */
final class StoreKeys {
    private static final Pattern KEY = Pattern.compile("<Key>([^<]*)</Key>");
    private static final Pattern NEXT = Pattern.compile("<NextContinuationToken>([^<]*)</NextContinuationToken>");

    private StoreKeys() {}

    static List<String> of(int port) throws Exception {
        List<String> keys = new ArrayList<>();
        String next = "";
        do {
            String address = "http://127.0.0.1:" + port + "/" + StandIn.BUCKET + "?list-type=2&max-keys=1000"
                    + (next.isEmpty() ? "" : "&continuation-token=" + URLEncoder.encode(next, StandardCharsets.UTF_8));
            String page = HttpClient.newHttpClient()
                    .send(HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString())
                    .body();
            Matcher key = KEY.matcher(page);
            while (key.find()) {
                keys.add(key.group(1));
            }
            Matcher more = NEXT.matcher(page);
            next = more.find() ? more.group(1) : "";
        } while (!next.isEmpty());
        return keys;
    }
}
