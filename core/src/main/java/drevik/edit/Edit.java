package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Refused;

/**
 * One change to a Mix, as a value. Applying it is pure: the same edit on the same Mix gives the
 * same Mix, or the same refusal.
 */
public sealed interface Edit
    permits AddChannels,
        CopySends,
        CreateChannels,
        DescribeMix,
        DuplicateChannels,
        FreeSeats,
        KeepClips,
        MoveChannels,
        PasteCells,
        RemoveChannels,
        RemoveControls,
        RemoveOutputs,
        RemoveSend,
        RemoveStemSet,
        RenameChannels,
        SeatDelivery,
        SendChannelsTo,
        SetCategory,
        SetCategoryRule,
        SetChain,
        SetColour,
        SetComment,
        SetControl,
        SetGroup,
        SetLayout,
        SetLevel,
        SetMarkers,
        SetMute,
        SetOutput,
        SetPerson,
        SetPolarity,
        SetSampleRate,
        SetSend,
        SetSpecification,
        SetStemSet,
        SetTimes,
        StowChannels,
        Together {

  /**
   * The Mix after the edit.
   *
   * @throws Refused with a reason that a person can act on
   */
  Mix applyTo(Mix mix);

  /** What the edit does, in words that fit after “Undo”. */
  String says(Mix before);
}
