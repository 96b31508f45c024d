package drevik.edit;

import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.reassign.Actor;
import drevik.reassign.Following;

/**
 * One change to a Mix, as a value. It says what it changes (fields and their new values, things
 * that are added or go), never how a whole thing was when somebody looked at it. Applying it is
 * pure: the same edit on the same Mix gives the same Mix, or the same refusal.
 */
public sealed interface Edit
    permits AddChannels,
        AddProcessors,
        ChangeMix,
        CopySends,
        CopySettings,
        CreateChannels,
        DuplicateChannels,
        FollowMap,
        FreeSeats,
        KeepClips,
        LeaveOut,
        JoinBuses,
        MoveChannels,
        MoveOut,
        PasteCells,
        PinSlots,
        ProposeMap,
        PutChain,
        PutMap,
        Reassign,
        RemoveChannels,
        RemoveControls,
        RemoveOutputs,
        RemoveSend,
        RenameChannels,
        SayOfMap,
        SeatDelivery,
        SetAlike,
        SendChannelsTo,
        SetCategory,
        SetCategoryRule,
        SetChannels,
        SetSampleRate,
        SetSend,
        SetSpecification,
        SplitBus,
        StowChannels,
        Together,
        TurnOutput,
        UnpinSlots {

  /**
   * The Mix after the edit, channels following the category map where the edit asks for it.
   *
   * @throws Refused with a reason that a person can act on
   */
  default Mix applyTo(Mix mix) {
    return applyTo(mix, Actor.HAND);
  }

  /**
   * The same, carried out by somebody else than a person at this Mix.
   *
   * @throws Refused with a reason that a person can act on
   */
  default Mix applyTo(Mix mix, Actor actor) {
    return Following.after(mix, changed(mix), actor);
  }

  /**
   * The Mix with what the edit itself says, and nothing that follows from it.
   *
   * @throws Refused with a reason that a person can act on
   */
  Mix changed(Mix mix);

  /** What the edit does, in words that fit after “Undo”. */
  String says(Mix before);
}
