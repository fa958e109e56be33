package hausbau.server.work;

import hausbau.core.shape.Swatch;
import hausbau.server.journal.Edit;
import hausbau.server.store.Stores;
import hausbau.server.store.kit.SheetSizeRow;

/** How many pixels the sheets have that swatches have to themselves. */
final class SheetSizes {

    private SheetSizes() {
    }

    /** @throws hausbau.core.measure.Refused if no sheet has so many */
    static void set(Edit edit, Stores stores, Swatch swatch, int pixels) {
        var siteId = edit.site().getId();
        stores.kits().sheetSizes(siteId).stream().filter(row -> row.swatch() == swatch).findFirst()
                .ifPresentOrElse(row -> edit.change(row, r -> r.set(pixels)), () -> edit.add(new SheetSizeRow(stores.nextId(), siteId, swatch, pixels)));
    }
}
