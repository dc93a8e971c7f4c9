<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;

/** Who of the demo can be signed in as, and the one password of everybody there. */
final class DemoSignIns
{
    public const PASSWORD = 'alder-quay-demo';

    /** Login name => kind, division, given name, family name, level. */
    public const PEOPLE = [
        'ingrid.solheim' => ['staff', 'faculty', 'Ingrid', 'Solheimsen', null],
        'tobias.wren' => ['staff', 'faculty', 'Tobias', 'Wrenfield', null],
        'sunniva.brekke' => ['staff', 'faculty', 'Sunniva', 'Brekkedal', null],
        'mara.lindqvist' => ['staff', 'faculty', 'Mara', 'Lindqvist', null],
        'jun.okafor-reyes' => ['staff', 'faculty', 'Jun', 'Okafor-Reyes', null],
        'elias.nordahl' => ['learner', 'millrace', 'Elias', 'Nordahlen', 7],
        'pip.halvorsen' => ['learner', 'harbour', 'Pip', 'Halvorsdal', 3],
    ];

    /** What each is, as the start command says it. */
    public const AS = [
        'ingrid.solheim' => 'platform administrator',
        'tobias.wren' => 'administrator of Millrace Seniors',
        'mara.lindqvist' => 'lead tutor of Harmony & Ear Training II',
        'jun.okafor-reyes' => 'class assistant there',
        'elias.nordahl' => 'senior learner',
        'pip.halvorsen' => 'junior learner, without e-mail',
    ];

    private function __construct() {}

    /** Whether they live in this platform, all of them: somebody of one of these names is elsewhere, too. */
    public static function live(Connection $db): bool
    {
        $logins = array_keys(self::PEOPLE);
        $there = $db->fetchFirstColumn(
            'SELECT login FROM account WHERE login IN (?)',
            [$logins],
            [ArrayParameterType::STRING],
        );

        return \count($logins) === \count($there);
    }
}
