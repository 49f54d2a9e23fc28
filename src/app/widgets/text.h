// Between the core's text and Qt's.
#pragma once

#include "base/utf8.h"

#include <QString>
#include <cstdint>
#include <filesystem>
#include <string>

namespace app {

inline QString qt(const std::string& text) {
    return QString::fromStdString(base::toUtf8(text));
}

// A text that a room below made, such as a reason why something could not be done, in the user's language. The
// rooms speak English, in sentences with places to fill in (core_sentences.cpp, written by
// tools/core_sentences.py). The sentence that a text was made from is found, and what was filled in as well; what
// joins several (": ", "; ", ", ", " · ", ". ") is kept. Names and figures stay as they are. What is in no list
// comes back as it is. Any thread.
QString translated(const std::string& text);

// A number and what it counts, which agree: one of "1 clip" and "%1 clips".
inline QString counted(std::int64_t n, const QString& one, const QString& many) {
    return n == 1 ? one : many.arg(n);
}

// File names are bytes: Qt's own conversion keeps what is no UTF-8 only through the local encoding.
inline std::filesystem::path pathOf(const QString& text) {
    return {text.toLocal8Bit().toStdString()};
}

// A path as text that is kept, and back, byte for byte and whatever the locale: what is no UTF-8 goes in
// hexadecimal.
inline QString keptPath(const std::filesystem::path& path) {
    const std::string& bytes = path.native();
    if (base::isUtf8(bytes)) return QString::fromStdString(bytes);
    return QStringLiteral("bytes:") + QString::fromLatin1(QByteArray::fromStdString(bytes).toHex());
}
inline std::filesystem::path pathKept(const QString& text) {
    if (text.startsWith(QStringLiteral("bytes:")))
        return {QByteArray::fromHex(text.mid(6).toLatin1()).toStdString()};
    return {text.toUtf8().toStdString()};
}

} // namespace app
