<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Core\Platform\Detail;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Platform\Repository\SettingsVersions;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Keeping;

/**
 * What was kept under a detail that the platform gave up is there again when settings are put back, for a month; then
 * it is thrown away.
 */
final readonly class UnknownDetails implements Forgets
{
    private const MONTH = 30 * 86_400;

    private const VERSIONS = 500;

    public function __construct(private PersonDetails $details, private SettingsVersions $versions) {}

    public function forget(Keeping $keeping): void
    {
        $codes = [];
        $until = \PHP_INT_MAX;
        foreach ($this->versions->latest(self::VERSIONS) as $version) {
            if ($until <= $keeping->now - self::MONTH) {
                break;
            }
            $details = SettingsCodec::read($version->settings)->details;
            array_push($codes, ...array_map(static fn(Detail $detail): string => $detail->code, $details));
            $until = $version->madeAt;
        }
        $this->details->keepOnly(array_values(array_unique($codes)));
    }
}
