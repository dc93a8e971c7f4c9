<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** Says of each piece of a line what it was taken for. */
final class Marking
{
    private function __construct() {}

    /** @return list<Mark> whose texts, one behind the other, are the line */
    public static function of(Reading $reading): array
    {
        $line = $reading->line;
        $names = array_merge(
            [],
            ...array_map(static fn(Candidate $each): array => $each->used, $reading->candidates),
        );
        $proven = array_merge(
            [],
            ...array_map(static fn(Candidate $each): array => $each->known->identifiers, $reading->candidates),
        );
        $hinted = array_merge([], ...array_column($line->hints, 'pieces'));
        $marks = [];
        $at = 0;
        foreach ($line->pieces as $place => $piece) {
            if ($piece->from > $at) {
                $marks[] = new Mark(substr($line->text, $at, $piece->from - $at), null);
            }
            $at = $piece->until();
            $kind = match (true) {
                Outcome::NoPerson === $reading->outcome => MarkKind::Ignored,
                \in_array($place, $names, true) => MarkKind::Name,
                \in_array($place, $hinted, true) => MarkKind::Hint,
                default => self::kind($piece, [] !== $names, $proven),
            };
            $own = $place < $line->own;
            $marks[] = new Mark($piece->text, $kind, $own ? $line->first + $place : null, $piece->cell);
        }
        if ($at < \strlen($line->text)) {
            $marks[] = new Mark(substr($line->text, $at), null);
        }

        return $marks;
    }

    /**
     * @param bool         $named  whether other words of the line are a name
     * @param list<string> $proven identifiers of whom the line may mean
     */
    private static function kind(Piece $piece, bool $named, array $proven): MarkKind
    {
        return match ($piece->kind) {
            PieceKind::Address => MarkKind::Address,
            PieceKind::Number => MarkKind::Number,
            // What nobody logs in by is a word.
            PieceKind::Login => $named && !\in_array($piece->identifier, $proven, true)
                ? MarkKind::Remark
                : MarkKind::Number,
            PieceKind::Word => match (true) {
                Vocabulary::has(Vocabulary::TITLES, $piece->words[0] ?? ''),
                Vocabulary::has(Vocabulary::NUMBERS, $piece->words[0] ?? '') => MarkKind::Ignored,
                $named => MarkKind::Remark,
                default => MarkKind::Name,
            },
            PieceKind::Small, PieceKind::Ignored => MarkKind::Ignored,
            PieceKind::Remark => MarkKind::Remark,
        };
    }
}
