package verge.instruments.receiver;

import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;

/** What comes over a link of corrections. @param state how the link fares @param told by what comes */
public record CorrectionsHeard(CasterSetting setting, CorrectionLink.State state, StreamTold told) {
}
