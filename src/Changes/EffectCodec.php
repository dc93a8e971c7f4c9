<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Effect;
use MintDoor\Core\Changes\EffectKind;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Time\Window;

/** Effects between the core and the undo data of a sheet line. */
final class EffectCodec
{
    private function __construct() {}

    /** @return array<string, mixed> */
    public static function write(Effect $effect): array
    {
        $mark = $effect->mark;
        $pass = $effect->pass;

        return [
            'kind' => $effect->kind->value,
            'passId' => $effect->passId,
            'at' => $effect->at,
            'mark' =>
                null === $mark
                    ? null
                    : [
                        $mark->id,
                        $mark->kind->value,
                        $mark->window->from,
                        $mark->window->until,
                        $mark->role,
                        $mark->origin,
                        $mark->dates?->from,
                        $mark->dates?->until,
                        $mark->height,
                        $mark->putBy,
                    ],
            'pass' =>
                null === $pass
                    ? null
                    : [
                        $pass->id,
                        $pass->doorId,
                        $pass->door->value,
                        $pass->role,
                        $pass->givenAt,
                        $pass->window->from,
                        $pass->window->until,
                        $pass->acceptedAt,
                        $pass->section,
                        $pass->since,
                    ],
        ];
    }

    /** @param array<array-key, mixed> $data as `write()` made it */
    public static function read(array $data): Effect
    {
        $kind = EffectKind::from(self::text($data['kind'] ?? ''));
        $passId = isset($data['passId']) ? self::text($data['passId']) : null;
        if (EffectKind::GivePass === $kind) {
            $p = (array) ($data['pass'] ?? []);

            return Effect::givePass(
                new Grant(
                    self::text($p[0]),
                    self::text($p[1]),
                    DoorKind::from(self::text($p[2])),
                    self::text($p[3]),
                    (int) self::text($p[4]),
                    new Window((int) self::text($p[5]), (int) self::text($p[6])),
                    (int) self::text($p[7]),
                    isset($p[8]) ? self::text($p[8]) : null,
                    (int) self::text($p[9]),
                ),
            );
        }
        $m = (array) ($data['mark'] ?? []);
        $mark = new Override(
            self::text($m[0]),
            OverrideKind::from(self::text($m[1])),
            new Window((int) self::text($m[2]), (int) self::text($m[3])),
            isset($m[4]) ? self::text($m[4]) : null,
            isset($m[5]) ? self::text($m[5]) : null,
            isset($m[6]) ? new Window((int) self::text($m[6]), (int) self::text($m[7])) : null,
            (int) self::text($m[8] ?? 0),
            isset($m[9]) ? self::text($m[9]) : null,
        );

        return EffectKind::PutMark === $kind
            ? Effect::putMark($passId, $mark)
            : Effect::endMark($passId, $mark, (int) self::text($data['at'] ?? 0));
    }

    private static function text(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }
}
