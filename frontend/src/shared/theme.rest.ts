import autocomplete from '@primeuix/themes/aura/autocomplete'
import badge from '@primeuix/themes/aura/badge'
import chip from '@primeuix/themes/aura/chip'
import datatable from '@primeuix/themes/aura/datatable'
import datepicker from '@primeuix/themes/aura/datepicker'
import iconfield from '@primeuix/themes/aura/iconfield'
import inputnumber from '@primeuix/themes/aura/inputnumber'
import fileupload from '@primeuix/themes/aura/fileupload'
import listbox from '@primeuix/themes/aura/listbox'
import menu from '@primeuix/themes/aura/menu'
import metergroup from '@primeuix/themes/aura/metergroup'
import message from '@primeuix/themes/aura/message'
import multiselect from '@primeuix/themes/aura/multiselect'
import popover from '@primeuix/themes/aura/popover'
import radiobutton from '@primeuix/themes/aura/radiobutton'
import skeleton from '@primeuix/themes/aura/skeleton'
import tag from '@primeuix/themes/aura/tag'
import tooltip from '@primeuix/themes/aura/tooltip'
import virtualscroller from '@primeuix/themes/aura/virtualscroller'

/** The library's own look of its parts that are on pages of those who are signed in. */
export const rest = {
  autocomplete,
  badge,
  chip,
  datatable,
  datepicker,
  iconfield,
  inputnumber,
  fileupload,
  listbox,
  menu,
  metergroup,
  message,
  multiselect,
  popover,
  radiobutton,
  skeleton,
  tag,
  tooltip,
  virtualscroller,
}
