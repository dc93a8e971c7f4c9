<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** What a role lets somebody do in a site. */
enum Permission: string
{
    case Enter = 'enter';
    case EnterDraft = 'enter-draft';
    case ReadClosed = 'read-closed';
    case DoWork = 'do-work';
    case SeeRoster = 'see-roster';
    case SeeUnlisted = 'see-unlisted';
    case SeeActivity = 'see-activity';
    case SeeMarks = 'see-marks';
    case EnterMarks = 'enter-marks';
    case MakeItems = 'make-items';
    case ShowItems = 'show-items';
    case ExportProgress = 'export-progress';
    case LabelPeople = 'label-people';
    case WriteToPeople = 'write-to-people';
    case ArrangeGroups = 'arrange-groups';
    case ArrangeSections = 'arrange-sections';
    case KeepDoors = 'keep-doors';
    case LetIn = 'let-in';
    case SeeAs = 'see-as';
    case SeeHistory = 'see-history';
    case RunSite = 'run-site';

    /**
     * What somebody must be allowed besides, for this one to make sense.
     *
     * @return list<self>
     */
    public function needs(): array
    {
        return match ($this) {
            self::EnterDraft, self::DoWork, self::MakeItems => [self::Enter],
            self::SeeUnlisted => [self::SeeRoster],
            self::SeeActivity, self::ArrangeGroups, self::WriteToPeople => [self::SeeRoster],
            self::SeeMarks => [self::SeeRoster, self::SeeActivity],
            self::EnterMarks => [self::SeeMarks],
            self::ShowItems => [self::MakeItems, self::SeeRoster],
            self::ExportProgress => [self::SeeMarks],
            self::LabelPeople => [self::SeeUnlisted],
            self::ArrangeSections => [self::ArrangeGroups],
            self::LetIn => [self::Enter, self::EnterDraft, self::SeeUnlisted],
            self::KeepDoors, self::SeeAs, self::SeeHistory => [self::LetIn],
            self::RunSite => [self::LetIn, self::SeeHistory],
            default => [],
        };
    }
}
