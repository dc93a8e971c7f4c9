<?php

declare(strict_types=1);

namespace MintDoor\Accounts\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Accounts\Entity\RegistrationCode;
use MintDoor\Platform\Entity\Division;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Resealed;
use MintDoor\Shared\Reseals;
use MintDoor\Shared\Sealer;

/**
 * The codes with which people register, one for a division.
 *
 * @extends BaseRepository<RegistrationCode>
 */
final class RegistrationCodes extends BaseRepository implements Reseals
{
    protected const ENTITY = RegistrationCode::class;

    private const SEALED_FOR = 'registration-code';

    public function __construct(ManagerRegistry $managers, private readonly Sealer $sealer)
    {
        parent::__construct($managers);
    }

    /** @return array<string, string> by code of the division */
    public function shown(): array
    {
        $codes = [];
        foreach ($this->findAll() as $each) {
            $codes[$each->division->code] = (string) $this->sealer->openText($each->sealed, self::SEALED_FOR);
        }

        return $codes;
    }

    /** Whether somebody typed the code of a division; blanks around it and capitals do not matter. */
    public function fits(Division $division, string $typed): bool
    {
        $code = (string) $this->sealer->openText(
            $this->findOneBy(['division' => $division])?->sealed,
            self::SEALED_FOR
        );

        return hash_equals(self::bare($code), self::bare($typed)) && '' !== self::bare($code);
    }

    /** @param string $code empty to keep none */
    public function keep(Division $division, string $code): void
    {
        $kept = $this->findOneBy(['division' => $division]);
        if ('' === self::bare($code)) {
            null === $kept || $this->remove($kept);
        } else {
            $sealed = $this->sealer->sealText(trim($code), self::SEALED_FOR);
            null === $kept ? $this->add(new RegistrationCode($division, $sealed)) : ($kept->sealed = $sealed);
        }
        $this->flush();
    }

    public function reseal(): Resealed
    {
        $anew = 0;
        foreach ($this->findAll() as $each) {
            $sealed = $this->sealer->resealedText($each->sealed, self::SEALED_FOR);
            if (null !== $sealed) {
                $each->sealed = $sealed;
                ++$anew;
            }
        }
        $this->flush();

        return new Resealed('registration codes', $anew);
    }

    private static function bare(string $code): string
    {
        return mb_strtolower(trim($code));
    }
}
