package hausbau.demo;

import hausbau.core.measure.Length;
import hausbau.core.standing.KitRules;
import hausbau.server.journal.Seen;
import hausbau.server.work.kit.KitPlanService;
import org.springframework.stereotype.Component;

/** Plans the demo sites and builds them from the recommended kit. */
@Component
class DemoKit {

    /** No piece is shorter, and nothing beside an opening. */
    private static final KitRules RULES = KitRules.between(Length.ofMillimetres(400), Length.ofMillimetres(4_000))
            .withMaxLengths(4);

    private final KitPlanService kit;

    DemoKit(KitPlanService kit) {
        this.kit = kit;
    }

    void build(long site) {
        var plan = kit.plan(site, RULES, "");
        var option = plan.options().get(plan.recommended().orElseThrow());
        kit.choose(site, Seen.NOT_TOLD, option.choice().word());
    }
}
