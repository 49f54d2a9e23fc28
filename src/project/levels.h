// What brings a clip to a level.
#pragma once

#include "project/project.h"

namespace project {

// By how many decibels the part that a clip plays has to be turned up, or down, to come to the level: measured on
// the recording, once round where it goes round. None where that is silent, and for Normalise::No. Any thread;
// takes time.
std::optional<double> gainTo(Normalise how, const Clip& clip, const Sound& sound);

} // namespace project
