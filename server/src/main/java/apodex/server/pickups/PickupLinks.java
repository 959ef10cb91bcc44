package apodex.server.pickups;

import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

/** Short links, as they are sent, lead to the page of the interface. */
@RestController
class PickupLinks {
    @GetMapping("/p/{token}")
    ResponseEntity<Void> page(@PathVariable String token) {
        String safe = token.matches("[A-Za-z0-9_-]{1,64}") ? token : "none";
        return ResponseEntity.status(HttpStatus.FOUND)
                .header(HttpHeaders.LOCATION, "/#/pickup/" + safe)
                .build();
    }
}
