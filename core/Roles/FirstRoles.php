<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\PersonKind as Kind;
use MintDoor\Core\Roles\Permission as May;
use MintDoor\Core\Sites\LevelBand;

/** The roles a new platform starts with. From then on they are its settings. */
final class FirstRoles
{
    public const LEAD = 'lead-tutor';
    public const LEARNER = 'learner';

    private function __construct() {}

    /**
     * @param list<string> $juniors codes of the divisions whose learners have junior rules
     * @param list<string> $seniors codes of the divisions whose learners have senior rules
     */
    public static function book(array $juniors, array $seniors): RoleBook
    {
        $helps = [May::Enter, May::EnterDraft, May::ReadClosed, May::SeeRoster, May::SeeUnlisted, May::SeeActivity];
        $assists = [...$helps, May::SeeMarks, May::ArrangeGroups];
        $overrides = [...$helps, May::SeeMarks, May::EnterMarks, May::ExportProgress];
        $runs = [
            ...$overrides,
            May::MakeItems,
            May::ShowItems,
            May::LabelPeople,
            May::WriteToPeople,
            May::ArrangeGroups,
            May::ArrangeSections,
            May::KeepDoors,
            May::LetIn,
            May::SeeAs,
            May::SeeHistory,
        ];
        $grownUps = [Kind::Staff, Kind::External];
        $tutors = [self::LEAD, 'co-tutor'];

        return new RoleBook([
            new Role(
                self::LEAD,
                'Lead tutor',
                'Instructor',
                100,
                [...$runs, May::RunSite],
                [Kind::Staff],
                [],
                [self::LEAD],
                lead: true,
            ),
            new Role('co-tutor', 'Co-tutor', 'Instructor', 90, $runs, [Kind::Staff], [Kind::Staff], [self::LEAD]),
            new Role(
                'class-assistant',
                'Class assistant',
                'TeachingAssistant',
                70,
                $assists,
                [Kind::Staff, Kind::External, Kind::Learner],
                [Kind::Staff],
                $tutors,
                learnersOf: new LevelBand(9, 10),
            ),
            new Role(
                'marking-assistant',
                'Marking assistant',
                'TeachingAssistant#Grader',
                60,
                $overrides,
                $grownUps,
                [],
                $tutors,
            ),
            new Role(
                'content-editor',
                'Content editor',
                'ContentDeveloper',
                50,
                [May::Enter, May::EnterDraft, May::ReadClosed, May::MakeItems],
                $grownUps,
                [],
                $tutors,
            ),
            new Role(
                'support-aide',
                'Support aide',
                'Mentor',
                40,
                [May::Enter, May::ReadClosed, May::SeeRoster, May::SeeActivity],
                $grownUps,
                [],
                $tutors,
                caution: 'A support aide sees how far every learner is. Give it an end.',
            ),
            new Role(
                self::LEARNER,
                'Learner',
                'Learner',
                30,
                [May::Enter, May::DoWork, May::SeeRoster, May::ReadClosed],
                [Kind::Learner],
                [Kind::Learner],
                $tutors,
                takesSeat: true,
                bands: [
                    new Band('Junior rules', $juniors, null, [May::Enter, May::DoWork]),
                    new Band('Senior rules', $seniors, null, [
                        May::Enter,
                        May::DoWork,
                        May::SeeRoster,
                        May::ReadClosed,
                    ]),
                ],
            ),
            new Role(
                'sit-in-observer',
                'Sit-in observer',
                'Observer',
                20,
                [May::ReadClosed, May::SeeRoster],
                [Kind::Staff, Kind::Guardian, Kind::External],
                [Kind::Guardian, Kind::External],
                $tutors,
                listed: false,
            ),
            new Role(
                'day-guest',
                'Day guest',
                'Guest',
                10,
                [May::Enter, May::DoWork],
                [Kind::Learner, Kind::Guardian, Kind::External],
                [],
                [self::LEAD],
                caution: 'A day guest sees everything learners hand in. Give it an end.',
            ),
        ]);
    }
}
