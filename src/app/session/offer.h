// The places at which the pointer may ask for a menu.
#pragma once

namespace app {

// A command says at which of these it is offered; a place asks for the menu of one.
enum Offer : unsigned {
    OnBar = 0,
    OnClip = 1,
    OnTrack = 2,
    OnSource = 4,
    OnPage = 8,
    OnTempo = 16,
    OnSection = 32,
    OnMetre = 64,
    OnRail = 128,
    OnStraighten = 256,
    OnLead = 512
};

} // namespace app
