// A musical key: root and mode.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace hear {

struct Key {
    int root = 0; // semitones above C, 0–11
    bool minor = false;
    bool operator==(const Key&) const = default;
};

// Reads one word or two: "Am", "Dmin", "F#m", "Ebmaj", "C# minor", "G major", "D". Upper and lower case are the
// same but for a bare root or root and "m", which must begin with a capital ("am" is a word). Anything else: none.
std::optional<Key> parseKey(std::string_view text);

// How many fifths the key's signature lies from C major's: sharps count up, flats down; −5 to 6.
int signatureOf(Key key);
// Closely related: the signatures differ by one sharp or flat at most, so that dominant, subdominant, the relative
// key and the relatives of both count (the circle of fifths; S. Kostka, D. Payne, "Tonal Harmony", McGraw-Hill, on
// closely related keys; from memory). A key is related to itself.
bool areRelated(Key a, Key b);

std::string rootLabel(int root); // "D", for 2. REQUIRES 0 <= root < 12
std::string keyName(Key key);    // "D minor"
std::string keyLabel(Key key);   // "D min", for narrow places
std::string keyTag(Key key);     // "Dm", as ID3 writes TKEY

} // namespace hear
